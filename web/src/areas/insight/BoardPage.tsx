import { useVirtualizer } from '@tanstack/react-virtual';
import { Alert, Button, Checkbox, DatePicker, Dropdown, Input, Popover, Segmented } from 'antd';
import dayjs from 'dayjs';
import { useEffect, useRef, useState } from 'react';
import { Link, useNavigate, useSearchParams } from 'react-router-dom';
import type { AccountRow } from '../../api/generated';
import { asProblem } from '../../api/problem';
import { useCompany } from '../../api/queries';
import { AgeLegend, LimitBar } from '../../drawings/LimitBar';
import { iso } from '../../format/dates';
import { withCurrency } from '../../format/money';
import { useMay } from '../users/useSession';
import { useKeys } from '../../shell/keys';
import { usePrinting } from '../../shell/usePrinting';
import { asQuery, conditions, keepView, readView, useBoard } from './boardQuery';
import { BringIn } from '../../exchange/Exchange';
import { SettingUp } from '../policies/SettingUp';
import { chosenColumns, extraColumns, usualColumns, type Column } from './BoardColumns';
import { BoardFilters } from './BoardFilters';
import { BoardViews } from './BoardViews';
import { ChangeMany } from './ChangeMany';
import { GroupsView } from './GroupsView';
import { NewAccount } from './NewAccount';

const filters: [string, string][] = [
  ['over-limit', 'Over limit'],
  ['above-80', 'Above 80 %'],
  ['overdue', 'Overdue'],
  ['overdue-30', '30+ days'],
  ['stop', 'Stop'],
  ['watch', 'Watch'],
  ['uplift', 'Uplift'],
  ['orders', 'Orders'],
  ['held', 'Held'],
  ['will-pass', 'Will pass'],
  ['review-lapsed', 'Review lapsed'],
  ['promise-broken', 'Promise broken'],
  ['disputed', 'Disputed'],
];

const nameColumn = 'minmax(170px, 1.3fr) 64px minmax(200px, 3fr)';
const firstColumns: [string, string][] = [
  ['name', 'Account'],
  ['state', 'State'],
  ['utilisation', 'Exposure against limit'],
];

export function BoardPage() {
  const [search, setSearch] = useSearchParams();
  const view = readView(search);
  const byMoney = search.get('scale') === 'money';
  const byGroup = search.get('by') === 'group';
  const cols = chosenColumns(search.get('cols'), view.since);
  const grid = { gridTemplateColumns: [nameColumn, ...cols.map((c) => c.width)].join(' ') };
  const board = useBoard(view);
  const company = useCompany();
  const go = useNavigate();
  const may = useMay();
  const [at, setAt] = useState(0);
  const scroller = useRef<HTMLDivElement>(null);

  const rows = board.data?.pages.flatMap((p) => p.items) ?? [];
  const first = board.data?.pages[0];
  const owners = [...new Set(rows.map((r) => r.owner).filter((o) => o !== ''))].sort();
  const chosen = Math.min(at, Math.max(0, rows.length - 1));
  const scale = byMoney
    ? Math.max(1, ...rows.map((r) => Math.max(Number(r.exposure), Number(r.effectiveLimit))))
    : undefined;

  const change = (next: Record<string, string>) => {
    // From the address as it is now: two changes may come before the page is drawn again.
    const params = new URLSearchParams(window.location.search);
    for (const [key, value] of Object.entries(next)) {
      if (value) params.set(key, value);
      else params.delete(key);
    }
    setSearch(params, { replace: true });
    setAt(0);
  };
  const open = (row: AccountRow | undefined) => {
    if (!row) return;
    keepView(view);
    void go(`/accounts/${encodeURIComponent(row.code)}${view.asOf ? `?asOf=${view.asOf}` : ''}`);
  };

  // The compiler cannot memoise what the virtualizer returns, which is fine here.
  // eslint-disable-next-line react-hooks/incompatible-library
  const virtual = useVirtualizer({
    count: rows.length,
    getScrollElement: () => scroller.current,
    estimateSize: () => 49,
    overscan: 12,
  });
  const printing = usePrinting();
  // On paper every row that was read stands, not only those in sight.
  const shown = printing ? rows.map((_, index) => ({ index, start: index * 49 })) : virtual.getVirtualItems();
  const last = shown[shown.length - 1]?.index ?? 0;
  const { hasNextPage, isFetchingNextPage, fetchNextPage } = board;
  useEffect(() => {
    if (hasNextPage && !isFetchingNextPage && last > rows.length - 30) void fetchNextPage();
  }, [last, rows.length, hasNextPage, isFetchingNextPage, fetchNextPage]);

  const move = (by: number) => {
    const next = Math.max(0, Math.min(rows.length - 1, chosen + by));
    setAt(next);
    virtual.scrollToIndex(next);
  };
  useKeys(
    byGroup
      ? {}
      : {
          j: () => move(1),
          k: () => move(-1),
          ArrowDown: () => move(1),
          ArrowUp: () => move(-1),
          Enter: () => open(rows[chosen]),
        },
  );

  const exportTo = (format: string) =>
    `/api/${byGroup ? 'group-export' : 'accounts/export'}?${new URLSearchParams({ ...asQuery(view), format }).toString()}`;
  const active = view.filter ? view.filter.split(',') : [];

  return (
    <div className="page" style={{ display: 'grid', gridTemplateRows: 'auto auto 1fr', gap: 8, overflow: 'hidden' }}>
      <div className="headline" style={{ marginBottom: 0 }}>
        <h1>Accounts</h1>
        <div className="totals muted">
          {first?.totals.map((t, i) => (
            <span key={t.currency}>
              <b style={{ color: 'var(--ink)' }}>{withCurrency(t.exposure, t.currency)}</b>{' '}
              {i === 0 ? 'exposed on limits of' : 'on'}{' '}
              <b style={{ color: 'var(--ink)' }}>{withCurrency(t.limit, t.currency)}</b>
              {i === 0 && <>, {withCurrency(t.overdue, t.currency)} overdue</>}
            </span>
          ))}
        </div>
        {may('controller') && (
          <Button type="primary" style={{ marginLeft: 'auto' }} onClick={() => change({ new: '1' })}>
            New account <kbd>N</kbd>
          </Button>
        )}
      </div>
      <div style={{ display: 'grid', gap: 8 }}>
        <div className="row-between">
          <div className="chips" role="group" aria-label="Quick filters">
            <button type="button" aria-pressed={active.length === 0} onClick={() => change({ filter: '' })}>
              All {first?.allAccounts ?? ''}
            </button>
            {filters.map(([key, name]) => (
              <button
                key={key}
                type="button"
                aria-pressed={active.includes(key)}
                onClick={() =>
                  change({
                    filter: (active.includes(key) ? active.filter((f) => f !== key) : [...active, key]).join(','),
                  })
                }
              >
                {name} {first?.counts[key] ?? ''}
              </button>
            ))}
          </div>
        </div>
        <div className="row-between">
          <div style={{ display: 'flex', gap: 8, flexWrap: 'wrap', alignItems: 'center' }}>
            <Input
              allowClear
              aria-label="Name, code or group"
              placeholder="Name, code or group"
              style={{ width: 165 }}
              value={view.q}
              onChange={(e) => change({ q: e.target.value })}
            />
            <DatePicker
              aria-label="As at"
              placeholder="As at today"
              format="D MMM YYYY"
              value={view.asOf ? dayjs(view.asOf) : null}
              onChange={(d) => change({ asOf: iso(d) })}
              style={{ width: 130 }}
            />
            <BoardFilters view={view} owners={owners} onChange={change} />
            <Segmented
              aria-label="Scale of the bars"
              value={byMoney ? 'money' : 'own'}
              onChange={(v) => change({ scale: v === 'money' ? 'money' : '' })}
              options={[
                { value: 'own', label: 'Each to its limit' },
                { value: 'money', label: 'All to money' },
              ]}
            />
            <DatePicker
              aria-label="Change since"
              placeholder="Change since"
              format="D MMM YYYY"
              value={view.since ? dayjs(view.since) : null}
              onChange={(d) => change({ since: iso(d), sort: d ? '-change' : '' })}
              style={{ width: 130 }}
            />
          </div>
          {first && first.total !== first.allAccounts && (
            <span className="muted small">
              {first.total} of {first.allAccounts} accounts
            </span>
          )}
        </div>
        <div className="row-between">
          <AgeLegend buckets={first?.buckets ?? []} />
          <span style={{ display: 'flex', gap: 6 }}>
            <Segmented
              aria-label="Accounts or groups"
              value={byGroup ? 'group' : 'account'}
              onChange={(v) => change({ by: v === 'group' ? 'group' : '' })}
              options={[
                { value: 'account', label: 'Accounts' },
                { value: 'group', label: 'Groups' },
              ]}
            />
            <BoardViews query={search.toString()} onOpen={(query) => setSearch(new URLSearchParams(query))} />
            {!byGroup && (
              <Popover
                trigger="click"
                placement="bottomRight"
                content={<Columns chosen={cols} onChange={(keys) => change({ cols: keys.join(',') })} />}
              >
                <Button>Columns</Button>
              </Popover>
            )}
            <Dropdown
              trigger={['click']}
              menu={{
                items: [
                  { key: 'csv', label: <a href={exportTo('csv')}>What is shown, as CSV</a> },
                  { key: 'xlsx', label: <a href={exportTo('xlsx')}>What is shown, as XLSX</a> },
                  { type: 'divider' },
                  ...['csv', 'xlsx', 'json'].map((f) => ({
                    key: `customers-${f}`,
                    label: <a href={`/api/exchange/customers?format=${f}`}>Customers’ records, as {f.toUpperCase()}</a>,
                  })),
                ],
              }}
            >
              <Button>Export</Button>
            </Dropdown>
            <Dropdown
              disabled={!may('controller')}
              trigger={['click']}
              menu={{
                items: [
                  { key: 'many', label: 'Change many at once', onClick: () => change({ do: 'many' }) },
                  { key: 'in', label: 'Bring in customers', onClick: () => change({ do: 'in' }) },
                ],
              }}
            >
              <Button>Change</Button>
            </Dropdown>
          </span>
        </div>
        {first && first.allAccounts === 0 && <SettingUp />}
        {board.isError && (
          <Alert
            type="error"
            showIcon
            title={asProblem(board.error).title}
            description={asProblem(board.error).detail}
          />
        )}
      </div>
      {byGroup ? (
        <GroupsView view={view} byMoney={byMoney} />
      ) : (
        <div
          className="card board"
          style={{ display: 'grid', gridTemplateRows: 'auto 1fr', minHeight: 0 }}
          role="table"
          aria-label="Accounts"
          aria-rowcount={first?.total}
        >
          <div role="rowgroup">
            <div className="board-grid board-head" role="row" style={grid}>
              {[...firstColumns.map(([key, name]) => ({ key, name, sort: key, figure: false })), ...cols].map((c) => {
                const sorted = c.sort !== '' && view.sort.replace('-', '') === c.sort;
                const down = view.sort.startsWith('-');
                return (
                  <span
                    key={c.key}
                    role="columnheader"
                    className={c.figure ? 'figure' : ''}
                    aria-sort={sorted ? (down ? 'descending' : 'ascending') : 'none'}
                  >
                    {c.sort ? (
                      <button type="button" onClick={() => change({ sort: sorted && !down ? `-${c.sort}` : c.sort })}>
                        {c.name}
                        {sorted ? (down ? ' ↓' : ' ↑') : ''}
                      </button>
                    ) : (
                      c.name
                    )}
                  </span>
                );
              })}
            </div>
          </div>
          <div ref={scroller} style={{ overflow: 'auto' }} role={first ? 'rowgroup' : 'presentation'} tabIndex={-1}>
            <div style={{ height: virtual.getTotalSize(), position: 'relative' }} role="presentation">
              {shown.map((line) => {
                const row = rows[line.index];
                return (
                  <div
                    key={row.code}
                    role="row"
                    aria-rowindex={line.index + 1}
                    className={`board-grid board-row${line.index === chosen ? ' on' : ''}`}
                    style={{ position: 'absolute', top: line.start, left: 0, right: 0, ...grid }}
                    onClick={() => open(row)}
                  >
                    <span role="cell" className="ellipsis">
                      <Link
                        to={`/accounts/${encodeURIComponent(row.code)}`}
                        onClick={(e) => {
                          e.preventDefault();
                          e.stopPropagation();
                          open(row);
                        }}
                      >
                        {row.name}
                      </Link>
                      <br />
                      <span className="muted small">
                        {row.code}
                        {row.group ? ` · ${row.group}` : ''}
                      </span>
                    </span>
                    <span role="cell" className={`state-${row.state}`}>
                      {row.state[0].toUpperCase() + row.state.slice(1)}
                    </span>
                    <span role="cell">
                      <LimitBar row={row} scale={scale} />
                    </span>
                    {cols.map((c) => (
                      <span key={c.key} role="cell" className={c.figure ? 'figure' : ''}>
                        {c.cell(row, company.data?.baseCurrency)}
                      </span>
                    ))}
                  </div>
                );
              })}
            </div>
            {first && first.total === 0 && (
              <div role="row">
                <p className="pad muted" role="cell">
                  {first.allAccounts === 0
                    ? 'There are no accounts yet. Open one with N, bring customers in with Change, ' +
                      'or a whole book with “./kiteline import FOLDER”.'
                    : 'No account passes these filters. Take one off, or clear the text.'}
                </p>
              </div>
            )}
          </div>
        </div>
      )}
      {search.get('do') === 'many' && (
        <ChangeMany
          filter={view.filter}
          q={view.q}
          view={conditions.some((c) => view[c]) ? new URLSearchParams(asQuery(view)).toString() : undefined}
          onClose={() => change({ do: '' })}
        />
      )}
      {search.get('do') === 'in' && <BringIn kind="customers" what="customers" onClose={() => change({ do: '' })} />}
      {search.get('new') && <NewAccount onClose={() => change({ new: '' })} />}
    </div>
  );
}

function Columns({ chosen, onChange }: { chosen: Column[]; onChange: (keys: string[]) => void }) {
  const keys = chosen.map((c) => c.key);
  return (
    <div style={{ display: 'grid', gap: 4 }} role="group" aria-label="Columns">
      {extraColumns.map((c) => (
        <Checkbox
          key={c.key}
          checked={keys.includes(c.key)}
          onChange={(e) =>
            onChange(extraColumns.map((x) => x.key).filter((k) => (k === c.key ? e.target.checked : keys.includes(k))))
          }
        >
          {c.name}
        </Checkbox>
      ))}
      <Button size="small" onClick={() => onChange(usualColumns)}>
        The usual ones
      </Button>
    </div>
  );
}
