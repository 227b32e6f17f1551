import { useVirtualizer } from '@tanstack/react-virtual';
import { useEffect, useRef, type CSSProperties } from 'react';
import { Link } from 'react-router-dom';
import type { AccountRow } from '../../api/generated';
import { useCompany } from '../../api/queries';
import { LimitBar } from '../../drawings/LimitBar';
import { Waiting } from '../../shell/Loaded';
import { useListKeys } from '../../table/useListKeys';
import { usePrinting } from '../../table/usePrinting';
import { accountStates } from '../../words/limits';
import type { BoardColumn } from './BoardColumns';
import type { BoardView, useBoard } from './boardQuery';

const rowHeight = 49;
const nameColumn = 'minmax(170px, 1.3fr) 64px minmax(200px, 3fr)';
const narrowName = 'minmax(110px, 1fr) 50px minmax(110px, 1.4fr)';
const firstColumns = [
  { key: 'name', name: 'Account', sort: 'name', figure: false },
  { key: 'state', name: 'State', sort: 'state', figure: false },
  { key: 'utilisation', name: 'Exposure against limit', sort: 'utilisation', figure: false },
];

/** The accounts, of which only those in sight are drawn; further ones are read while one scrolls. */
export function BoardTable({
  board,
  view,
  columns,
  byMoney,
  onChange,
  onOpen,
}: {
  board: ReturnType<typeof useBoard>;
  view: BoardView;
  columns: BoardColumn[];
  byMoney: boolean;
  onChange: (next: Record<string, string>) => void;
  onOpen: (row: AccountRow | undefined) => void;
}) {
  const company = useCompany();
  const scroller = useRef<HTMLDivElement>(null);
  const first = board.data?.pages[0];
  const rows = board.data?.pages.flatMap((p) => p.items) ?? [];
  const scale = byMoney
    ? Math.max(1, ...rows.map((r) => Math.max(Number(r.exposure), Number(r.effectiveLimit))))
    : undefined;
  // The compiler cannot memoise what the virtualizer returns, which is fine here.
  // eslint-disable-next-line react-hooks/incompatible-library
  const virtual = useVirtualizer({
    count: rows.length,
    getScrollElement: () => scroller.current,
    estimateSize: () => rowHeight,
    overscan: 12,
  });
  const printing = usePrinting();
  // On paper every row that was read stands, not only those in sight.
  const shown = printing ? rows.map((_, index) => ({ index, start: index * rowHeight })) : virtual.getVirtualItems();
  const last = shown[shown.length - 1]?.index ?? 0;
  const { hasNextPage, isFetchingNextPage, fetchNextPage } = board;
  useEffect(() => {
    if (hasNextPage && !isFetchingNextPage && last > rows.length - 30) void fetchNextPage();
  }, [last, rows.length, hasNextPage, isFetchingNextPage, fetchNextPage]);
  const { at } = useListKeys(rows.length, (chosen) => ({ Enter: () => onOpen(rows[chosen]) }), {
    onMove: (next) => virtual.scrollToIndex(next),
  });
  // How wide columns are; a narrow window has less for each.
  const grid = {
    '--wide': [nameColumn, ...columns.map((c) => c.width)].join(' '),
    '--narrow': [narrowName, ...columns.map(() => 'minmax(84px, 112px)')].join(' '),
  } as CSSProperties;
  return (
    <div className="card board" role="table" aria-label="Accounts" aria-rowcount={first?.total}>
      <div role="rowgroup">
        <div className="board-grid board-head" role="row" style={grid}>
          {[...firstColumns, ...columns].map((c) => (
            <Heading key={c.key} column={c} sort={view.sort} onSort={(sort) => onChange({ sort })} />
          ))}
        </div>
      </div>
      <div ref={scroller} style={{ overflow: 'auto' }} role={first ? 'rowgroup' : 'presentation'} tabIndex={-1}>
        {!first && !board.isError && <Waiting what="the accounts" lines={12} />}
        <div style={{ height: virtual.getTotalSize(), position: 'relative' }} role="presentation">
          {shown.map((line) => {
            const row = rows[line.index];
            return (
              <div
                key={row.code}
                role="row"
                aria-rowindex={line.index + 1}
                className={`board-grid board-row${line.index === at ? ' on' : ''}`}
                style={{ position: 'absolute', top: line.start, left: 0, right: 0, ...grid }}
                onClick={() => onOpen(row)}
              >
                <Name row={row} onOpen={() => onOpen(row)} />
                <span role="cell" className={`state-${row.state}`}>
                  {accountStates[row.state]}
                </span>
                <span role="cell">
                  <LimitBar row={row} scale={scale} />
                </span>
                {columns.map((c) => (
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
                ? 'There are no accounts yet. Open one with N, import customers with Change, ' +
                  'or a whole book with “./kiteline import FOLDER”.'
                : 'No account passes these filters. Take one off, or clear the text.'}
            </p>
          </div>
        )}
      </div>
    </div>
  );
}

function Heading({
  column,
  sort,
  onSort,
}: {
  column: { name: string; sort: string; figure?: boolean };
  sort: string;
  onSort: (sort: string) => void;
}) {
  const sorted = column.sort !== '' && sort.replace('-', '') === column.sort;
  const down = sort.startsWith('-');
  return (
    <span
      role="columnheader"
      className={column.figure ? 'figure' : ''}
      aria-sort={sorted ? (down ? 'descending' : 'ascending') : 'none'}
    >
      {column.sort ? (
        <button type="button" onClick={() => onSort(sorted && !down ? `-${column.sort}` : column.sort)}>
          {column.name}
          {sorted ? (down ? ' ↓' : ' ↑') : ''}
        </button>
      ) : (
        column.name
      )}
    </span>
  );
}

const Name = ({ row, onOpen }: { row: AccountRow; onOpen: () => void }) => (
  <span role="cell" className="ellipsis">
    <Link
      to={`/accounts/${encodeURIComponent(row.code)}`}
      onClick={(e) => {
        e.preventDefault();
        e.stopPropagation();
        onOpen();
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
);
