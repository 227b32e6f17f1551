import { keepPreviousData, useQuery, useQueryClient } from '@tanstack/react-query';
import { App, Button, Segmented } from 'antd';
import { useState } from 'react';
import { fetchStatements } from '../../api/generated';
import { listStatementsOptions, listUnassignedOptions } from '../../api/generated/@tanstack/react-query.gen';
import { ofAccounts, readAgain } from '../../api/changes';
import { answer, asProblem } from '../../api/problem';
import { useCompany } from '../../api/queries';
import { useKeys } from '../../shell/keys';
import { lazyDialog } from '../../shell/lazily';
import { Loaded } from '../../shell/Loaded';
import { useMay } from '../../shell/session';
import { useAddress } from '../../shell/useAddress';
import { JournalView } from '../ledger';
import { Banking } from './Banking';
import { PostedList } from './PostedList';
import { RefundList } from './RefundList';
import { StatementSheet } from './StatementSheet';
import { UnassignedSheet } from './UnassignedSheet';

const ReadStatement = lazyDialog(() => import('./ReadStatement').then((m) => m.ReadStatement));

/** Views that are lists, and scroll as a whole. */
const lists = {
  posted: <PostedList />,
  banking: <Banking />,
  refunds: <RefundList />,
  journal: <JournalView />,
};

/** Bank statements worked from top to bottom, receipts whose payer is not known, and what was posted. */
export function CashPage() {
  const { search, change } = useAddress();
  const show = search.get('show') ?? 'statement';
  const may = useMay();
  // The bank that statements are fetched from is made up, and the demo's alone.
  const demo = useCompany().data?.isDemo === true;
  const [reading, setReading] = useState(false);
  const statements = useQuery({ ...listStatementsOptions(), placeholderData: keepPreviousData });
  const unassigned = useQuery(listUnassignedOptions());
  const client = useQueryClient();
  const { message } = App.useApp();
  const [fetching, setFetching] = useState(false);
  const fetchToday = async () => {
    setFetching(true);
    try {
      const got = await answer(fetchStatements());
      const stored = got.filter((s) => s.statementId);
      if (stored.length === 0) void message.info(got.flatMap((s) => s.problems).join(' '));
      else {
        void message.success(
          stored.map((s) => `${s.statement}: ${s.lines} lines, ${s.certain} of them certain.`).join(' '),
        );
        await readAgain(client, ofAccounts);
        change({ show: '', statement: String(stored[0]?.statementId), line: '', page: '' });
      }
    } catch (e) {
      void message.error(asProblem(e).detail);
    } finally {
      setFetching(false);
    }
  };
  useKeys({
    b: () => may('controller') && setReading(true),
    f: () => demo && may('controller') && !fetching && void fetchToday(),
  });
  const waiting = statements.data?.items.reduce((sum, s) => sum + s.waiting, 0);
  return (
    <div className="page sheet cash-sheet">
      <div className="headline">
        <h1>Cash</h1>
        <Segmented
          aria-label="What is shown"
          value={show}
          onChange={(v) => change({ show: v === 'statement' ? '' : v, line: '', kind: '', page: '', of: '' })}
          options={[
            { value: 'statement', label: `Statements ${waiting ?? ''}` },
            { value: 'unassigned', label: `Unassigned ${unassigned.data?.total ?? ''}` },
            { value: 'banking', label: 'Banking' },
            { value: 'refunds', label: 'Refunds' },
            { value: 'posted', label: 'Posted' },
            { value: 'journal', label: 'Journal' },
          ]}
        />
        <span className="actions">
          {may('controller') && (
            <>
              {demo && (
                <Button loading={fetching} onClick={() => void fetchToday()}>
                  Fetch from the bank <kbd>F</kbd>
                </Button>
              )}
              <Button type={statements.data?.total === 0 ? 'primary' : 'default'} onClick={() => setReading(true)}>
                Read a statement <kbd>B</kbd>
              </Button>
            </>
          )}
        </span>
      </div>
      {show in lists ? (
        <div className="cash-list">{lists[show as keyof typeof lists]}</div>
      ) : show === 'unassigned' ? (
        <UnassignedSheet query={unassigned} />
      ) : (
        <Loaded query={statements} what="the bank statements" lines={10}>
          {({ items }) => <StatementSheet statements={items} />}
        </Loaded>
      )}
      {reading && (
        <ReadStatement
          onClose={() => setReading(false)}
          onDone={(id) => {
            setReading(false);
            change({ show: '', statement: id ? String(id) : '', line: '' });
          }}
        />
      )}
    </div>
  );
}
