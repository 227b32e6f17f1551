import { useNavigate } from 'react-router-dom';
import type { AccountRow } from '../../api/generated';
import { useCompany } from '../../api/queries';
import { Failed } from '../../shell/Loaded';
import { useAddress } from '../../shell/useAddress';
import { lazyDialog } from '../../shell/lazily';
import { ChangeMany, NewAccount } from '../accounts';
import { SettingUp } from '../company';
import { ReadDocuments } from '../invoices';
import { chosenColumns } from './BoardColumns';
import { BoardHead } from './BoardHead';
import { asQuery, conditions, keepView, readView, useBoard } from './boardQuery';
import { BoardTable } from './BoardTable';
import { BoardTools } from './BoardTools';
import { GroupsView } from './GroupsView';

const SendStatements = lazyDialog(() => import('./SendStatements').then((m) => m.SendStatements));
const ImportRecords = lazyDialog(() => import('../../table/ImportRecords').then((m) => m.ImportRecords));

/** The board of all accounts, or of groups: what is shown lives in the address. */
export function BoardPage() {
  const { search, change, replace } = useAddress();
  const go = useNavigate();
  const view = readView(search);
  const company = useCompany();
  const byMoney = search.get('scale') === 'money';
  const byGroup = search.get('by') === 'group';
  const columns = chosenColumns(search.get('cols'), view.since);
  const board = useBoard(view);
  const first = board.data?.pages[0];
  const rows = board.data?.pages.flatMap((p) => p.items) ?? [];
  const owners = [...new Set(rows.map((r) => r.owner).filter((o) => o !== ''))].sort();
  const open = (row: AccountRow | undefined) => {
    if (!row) return;
    keepView(view);
    void go(`/accounts/${encodeURIComponent(row.code)}${view.asOf ? `?asOf=${view.asOf}` : ''}`);
  };
  const close = () => change({ do: '', new: '' });
  return (
    <div className="page sheet board-sheet">
      <BoardHead board={first} onNew={() => change({ new: '1' })} />
      <div style={{ display: 'grid', gap: 8 }}>
        <BoardTools
          board={first}
          view={view}
          owners={owners}
          columns={columns}
          byMoney={byMoney}
          byGroup={byGroup}
          query={search.toString()}
          onChange={change}
          onOpen={replace}
        />
        {first && first.allAccounts === 0 && <SettingUp />}
        {board.isError && <Failed error={board.error} onRetry={() => void board.refetch()} />}
      </div>
      {byGroup ? (
        <GroupsView view={view} byMoney={byMoney} />
      ) : (
        <BoardTable board={board} view={view} columns={columns} byMoney={byMoney} onChange={change} onOpen={open} />
      )}
      {search.get('do') === 'many' && (
        <ChangeMany
          filter={view.filter}
          q={view.q}
          view={conditions.some((c) => view[c]) ? new URLSearchParams(asQuery(view)).toString() : undefined}
          onClose={close}
        />
      )}
      {search.get('do') === 'statements' && company.data && (
        <SendStatements
          filter={new URLSearchParams(asQuery(view)).toString()}
          today={company.data.businessDate}
          onClose={close}
        />
      )}
      {search.get('do') === 'invoices' && <ReadDocuments onClose={close} />}
      {search.get('do') === 'in' && <ImportRecords kind="customers" what="customers" onClose={close} />}
      {search.get('new') && <NewAccount onClose={close} />}
    </div>
  );
}
