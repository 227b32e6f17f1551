import { useQueries } from '@tanstack/react-query';
import { useVirtualizer } from '@tanstack/react-virtual';
import { useEffect, useRef, useState, type CSSProperties } from 'react';
import type { AgeingLineView } from '../../api/generated';
import { getAgeingOptions } from '../../api/generated/@tanstack/react-query.gen';
import { bucketName } from '../../drawings/ages';
import { moneyOrDash, signed } from '../../format/money';
import { Waiting } from '../../shell/Loaded';
import { useListKeys } from '../../table/useListKeys';
import { usePrinting } from '../../table/usePrinting';
import type { AgeingCell } from './AgeingItems';
import { within, type AgeingView, type useAgeing } from './ageingQuery';

const rowHeight = 34;
// So many accounts are unfolded below a line; more are looked at by account.
const unfolded = 500;

interface Shown {
  line: AgeingLineView;
  /** Whether it is an account below a line. */
  below: boolean;
  cell: AgeingCell;
}

const nameOf = (line: AgeingLineView) => line.name || line.key || 'None';

/** The lines of an ageing; each unfolds to its accounts, and every figure opens its items. */
export function AgeingTable({
  lines,
  view,
  query,
  keyName,
  onSort,
  onOpen,
}: {
  lines: ReturnType<typeof useAgeing>;
  view: AgeingView;
  query: Record<string, string>;
  /** What the lines are: accounts, owners and so on. */
  keyName: string;
  onSort: (sort: string) => void;
  onOpen: (cell: AgeingCell) => void;
}) {
  const scroller = useRef<HTMLDivElement>(null);
  const first = lines.data?.pages[0];
  const all = lines.data?.pages.flatMap((p) => p.items) ?? [];
  const byAccount = first?.by === 'account';
  const [open, setOpen] = useState<readonly string[]>([]);
  const keyOf = (line: AgeingLineView) => `${line.currency} ${line.key}`;
  const scope = (line: AgeingLineView) => within(first?.by ?? 'owner', view.field, line.key, line.currency);
  const chosen = byAccount ? [] : all.filter((l) => open.includes(keyOf(l)));
  const below = useQueries({
    queries: chosen.map((line) =>
      getAgeingOptions({ query: { ...query, by: 'account', field: undefined, ...scope(line), pageSize: unfolded } }),
    ),
  });
  const shown: Shown[] = all.flatMap((line) => {
    const cell = { ...scope(line), name: nameOf(line) };
    const at = chosen.indexOf(line);
    return [
      { line, below: false, cell },
      ...(at < 0 ? [] : (below[at]?.data?.items ?? [])).map((account) => ({
        line: account,
        below: true,
        cell: { ...within('account', '', account.key, account.currency), name: account.name },
      })),
    ];
  });
  // The compiler cannot memoise what the virtualizer returns, which is fine here.
  // eslint-disable-next-line react-hooks/incompatible-library
  const virtual = useVirtualizer({
    count: shown.length,
    getScrollElement: () => scroller.current,
    estimateSize: () => rowHeight,
    overscan: 15,
  });
  const printing = usePrinting();
  const drawn = printing ? shown.map((_, index) => ({ index, start: index * rowHeight })) : virtual.getVirtualItems();
  const last = drawn[drawn.length - 1]?.index ?? 0;
  const { hasNextPage, isFetchingNextPage, fetchNextPage } = lines;
  useEffect(() => {
    if (hasNextPage && !isFetchingNextPage && last > shown.length - 30) void fetchNextPage();
  }, [last, shown.length, hasNextPage, isFetchingNextPage, fetchNextPage]);
  const fold = (row: Shown | undefined, to?: boolean) => {
    if (!row || row.below || byAccount) return;
    const key = keyOf(row.line);
    setOpen((o) => ((to ?? !o.includes(key)) ? [...o.filter((k) => k !== key), key] : o.filter((k) => k !== key)));
  };
  const { at, setAt } = useListKeys(
    shown.length,
    (i) => ({
      Enter: () => shown[i] && onOpen(shown[i].cell),
      ArrowRight: () => fold(shown[i], true),
      ArrowLeft: () => fold(shown[i], false),
    }),
    { onMove: (next) => virtual.scrollToIndex(next) },
  );
  const buckets = first?.buckets ?? [];
  const figuresWide = buckets.length + 1 + (first?.since ? 1 : 0);
  const grid = {
    '--wide': `minmax(170px, 2.2fr) 40px ${byAccount ? '' : '64px'} repeat(${figuresWide}, minmax(88px, 1fr))`,
    '--narrow': `minmax(110px, 1.6fr) 36px ${byAccount ? '' : '34px'} repeat(${figuresWide}, minmax(72px, 1fr))`,
  } as CSSProperties;
  const heading = (name: string, sort: string, figure: boolean) => {
    const sorted = (view.sort || 'key').replace('-', '') === sort;
    const down = view.sort.startsWith('-');
    return (
      <span
        key={sort || name}
        role="columnheader"
        className={figure ? 'figure' : ''}
        aria-sort={sorted ? (down ? 'descending' : 'ascending') : 'none'}
      >
        {sort ? (
          <button
            type="button"
            onClick={() => onSort(sorted && !down ? `-${sort}` : sorted ? sort : figure ? `-${sort}` : sort)}
          >
            {name}
            {sorted ? (down ? ' ↓' : ' ↑') : ''}
          </button>
        ) : (
          name
        )}
      </span>
    );
  };
  const figures = (line: AgeingLineView, cell?: AgeingCell) => (
    <>
      {line.ageing.map((a) => (
        <span key={a.bucket} role="cell" className="figure">
          <Figure amount={moneyOrDash(a.amount)} onOpen={cell && (() => onOpen({ ...cell, bucket: a.bucket }))} />
        </span>
      ))}
      <span role="cell" className="figure strong">
        <Figure amount={moneyOrDash(line.amount)} onOpen={cell && (() => onOpen(cell))} />
      </span>
      {first?.since && (
        <span role="cell" className="figure">
          {signed(line.change)}
        </span>
      )}
    </>
  );
  return (
    <div className="card board ageing" role="table" aria-label="Ageing" aria-rowcount={first?.total}>
      <div role="rowgroup">
        <div className="board-grid board-head" role="row" style={grid}>
          {heading(keyName, 'key', false)}
          {heading('Cur.', '', false)}
          {!byAccount && heading('Accounts', '', true)}
          {buckets.map((b) => heading(bucketName(b), b, true))}
          {heading('Total', 'amount', true)}
          {first?.since && heading('Change', 'change', true)}
        </div>
      </div>
      <div ref={scroller} style={{ overflow: 'auto' }} role={first ? 'rowgroup' : 'presentation'} tabIndex={-1}>
        {!first && !lines.isError && <Waiting what="the ageing" lines={8} />}
        <div style={{ height: virtual.getTotalSize(), position: 'relative' }} role="presentation">
          {drawn.map((place) => {
            const row = shown[place.index];
            if (!row) return null;
            const { line, cell } = row;
            const isOpen = open.includes(keyOf(line)) && !row.below;
            return (
              <div
                key={`${row.below ? '  ' : ''}${keyOf(line)}`}
                role="row"
                aria-rowindex={place.index + 1}
                className={`board-grid board-row${place.index === at ? ' on' : ''}`}
                style={{ position: 'absolute', top: place.start, left: 0, right: 0, height: rowHeight, ...grid }}
                onClick={() => {
                  setAt(place.index);
                  fold(row);
                }}
              >
                <span role="cell" className="ellipsis" style={row.below ? { paddingLeft: 24 } : undefined}>
                  {row.below || byAccount ? (
                    <>
                      {line.name} <span className="muted small">{line.key}</span>
                    </>
                  ) : (
                    <button type="button" className="fold" aria-expanded={isOpen}>
                      <span aria-hidden>{isOpen ? '▾' : '▸'}</span> {nameOf(line)}
                    </button>
                  )}
                </span>
                <span role="cell">{line.currency}</span>
                {!byAccount && (
                  <span role="cell" className="figure muted">
                    {row.below ? '' : line.accounts}
                  </span>
                )}
                {figures(line, cell)}
              </div>
            );
          })}
        </div>
        {first?.total === 0 && (
          <div role="row">
            <p className="pad muted" role="cell">
              Nothing was open on this day. Choose another day, or bring open items in.
            </p>
          </div>
        )}
      </div>
      {first && first.sums.length > 0 && (
        <div role="rowgroup" className="ageing-sums">
          {first.sums.map((sum) => (
            <div key={sum.currency} className="board-grid board-row" role="row" style={grid}>
              <span role="cell" className="strong">
                Total
              </span>
              <span role="cell">{sum.currency}</span>
              {!byAccount && (
                <span role="cell" className="figure muted">
                  {sum.accounts}
                </span>
              )}
              {figures(sum, { within: '', currency: sum.currency, name: 'All accounts' })}
            </div>
          ))}
        </div>
      )}
    </div>
  );
}

const Figure = ({ amount, onOpen }: { amount: string; onOpen?: () => void }) =>
  amount === '—' || !onOpen ? (
    amount
  ) : (
    <button
      type="button"
      className="figure-link"
      onClick={(e) => {
        e.stopPropagation();
        onOpen();
      }}
    >
      {amount}
    </button>
  );
