import { keepPreviousData, useInfiniteQuery } from '@tanstack/react-query';
import { Button, Select } from 'antd';
import { useState } from 'react';
import { Link } from 'react-router-dom';
import type { LeakBy, LeakCaseView, LeakKind } from '../../api/generated';
import { getLeakageInfiniteOptions } from '../../api/generated/@tanstack/react-query.gen';
import { day } from '../../format/dates';
import { money } from '../../format/money';
import { Failed, Waiting } from '../../shell/Loaded';
import { useMay } from '../../shell/session';
import { useAddress } from '../../shell/useAddress';
import { Grid } from '../../table/Grid';
import { useListKeys } from '../../table/useListKeys';
import { leakBys, leakKinds } from '../../words/insight';
import { Settled } from '../ledger';
import { ageingQuery } from './ageingQuery';
import { LeakSums } from './LeakSums';
import { Period } from './Period';
import { ScopeChip } from './ScopeChip';
import { TakeOut } from './TakeOut';

const pageSize = 100;

/** Discounts and charges that came to something else than was agreed: sums, and case by case, the largest first. */
export function LeakagePage() {
  const { search, change } = useAddress();
  const may = useMay();
  const within = search.get('within') ?? '';
  const kind = search.get('kind') ?? '';
  const reason = search.get('reason') ?? '';
  const by = (search.get('by') ?? 'account') as LeakBy;
  const asked = ageingQuery({ from: search.get('from') ?? '', to: search.get('to') ?? '', within, kind, reason });
  const query = useInfiniteQuery({
    ...getLeakageInfiniteOptions({ query: { ...asked, by, pageSize } }),
    initialPageParam: 1,
    getNextPageParam: (last, all) => (all.length * pageSize < last.total ? all.length + 1 : undefined),
    placeholderData: keepPreviousData,
  });
  const [inHand, setInHand] = useState<LeakCaseView>();
  const first = query.data?.pages[0];
  const cases = query.data?.pages.flatMap((p) => p.items) ?? [];
  const canCorrect = (c: LeakCaseView | undefined) =>
    c?.entry != null && c.lastDay !== null && c.lastDay !== undefined && may('controller');
  const { at } = useListKeys(cases.length, (i) => ({
    Enter: () => canCorrect(cases[i]) && setInHand(cases[i]),
  }));
  const narrow = (key: string) => {
    if (by === 'kind') change({ kind: key });
    else if (by === 'reason') change({ reason: key });
    else if (by === 'month') change({ from: `${key}-01`, to: lastOf(key, first?.to ?? '') });
    else change({ within: `${by}:${key}`, by: 'account' });
  };
  return (
    <div className="insight-part">
      <div className="row-between">
        <div className="row-gap">
          <Period from={first?.from} to={first?.to} onChange={change} />
          <Select
            aria-label="Added up by"
            value={by}
            style={{ width: 140 }}
            onChange={(v) => change({ by: v })}
            options={Object.entries(leakBys).map(([value, label]) => ({ value, label }))}
          />
          <ScopeChip within={within} onClear={() => change({ within: '' })} />
          <ScopeChip within={reason && `reason:${reason}`} onClear={() => change({ reason: '' })} />
        </div>
        <TakeOut what="These cases" path="/api/leakage/file" query={asked} report="leakage" />
      </div>
      <div className="chips" role="group" aria-label="Kinds">
        <button type="button" aria-pressed={kind === ''} onClick={() => change({ kind: '' })}>
          All kinds
        </button>
        {(Object.keys(leakKinds) as LeakKind[]).map((k) => {
          const sum = first?.kinds.find((s) => s.key === k);
          return (
            <button
              key={k}
              type="button"
              aria-pressed={kind === k}
              onClick={() => change({ kind: kind === k ? '' : k })}
            >
              {leakKinds[k]} {sum ? `${sum.cases} · ${money(sum.amount)}` : '0'}
            </button>
          );
        })}
      </div>
      {query.isError && <Failed error={query.error} onRetry={() => void query.refetch()} />}
      {!first && !query.isError && <Waiting what="the leakage" lines={10} />}
      {first && (
        <>
          {first.sums.length > 0 && <LeakSums sums={first.sums} by={by} currency={first.currency} onOpen={narrow} />}
          <div className="card leak-cases">
            <Grid
              label="Cases"
              rows={cases}
              keyOf={(c, i) => `${c.account} ${c.document} ${c.kind} ${i}`}
              rowClass={(_, i) => (i === at ? 'on' : undefined)}
              empty="Nothing leaked in this period: every discount was taken in time and granted, and no charge was waived."
              columns={[
                {
                  title: 'Customer',
                  className: 'ellipsis',
                  cell: (c) => <Link to={`/accounts/${encodeURIComponent(c.account)}`}>{c.name}</Link>,
                },
                { title: 'Document', className: 'strong nowrap', cell: (c) => c.document },
                { title: 'What', className: 'nowrap', cell: (c) => leakKinds[c.kind] },
                { title: 'Day', className: 'nowrap', cell: (c) => day(c.day) },
                { title: 'Late', figure: true, cell: (c) => (c.daysLate > 0 ? `${c.daysLate} days` : '—') },
                {
                  title: 'Amount',
                  figure: true,
                  className: 'strong',
                  cell: (c) => `${money(c.amount)}${c.currency === first.currency ? '' : ` ${c.currency}`}`,
                },
                { title: 'By', className: 'nowrap', cell: (c) => c.who },
                { title: 'Reason', className: 'muted small', cell: (c) => c.why },
                {
                  hidden: 'Correction',
                  className: 'nowrap',
                  cell: (c) =>
                    canCorrect(c) && (
                      <Button size="small" onClick={() => setInHand(c)}>
                        Put right
                      </Button>
                    ),
                },
              ]}
            />
            {query.hasNextPage && (
              <div className="pad">
                <Button loading={query.isFetchingNextPage} onClick={() => void query.fetchNextPage()}>
                  Show more of {first.total}
                </Button>
              </div>
            )}
          </div>
        </>
      )}
      {inHand?.entry != null && (
        <Settled
          row={{
            entryId: inHand.entry,
            accountCode: inHand.account,
            kind: 'receipt',
            number: '',
            text: `the payment of ${inHand.name}`,
          }}
          onClose={() => setInHand(undefined)}
        />
      )}
    </div>
  );
}

/** The last day of a month, or of the part of it that is shown. */
const lastOf = (month: string, to: string) => {
  const [y, m] = month.split('-').map(Number);
  const last = `${month}-${String(new Date(Date.UTC(y, m, 0)).getUTCDate()).padStart(2, '0')}`;
  return last > to ? to : last;
};
