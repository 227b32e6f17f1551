import { useCallback } from 'react';
import type { LeakBy, LeakKind, LeakSumView } from '../../api/generated';
import { axis, Chart, pointed, type Colours } from '../../drawings/Chart';
import { money, withCurrency } from '../../format/money';
import { Grid } from '../../table/Grid';
import { leakBys, leakKinds } from '../../words/insight';
import { Charted } from './Charted';

// So many are drawn; the table has all that are told.
const drawnAtMost = 14;

/** What leaked in all, by one of its sides; each bar narrows the list to what it adds up. */
export function LeakSums({
  sums,
  by,
  currency,
  onOpen,
}: {
  sums: LeakSumView[];
  by: LeakBy;
  currency: string;
  onOpen: (key: string) => void;
}) {
  const nameOf = (s: LeakSumView) => (by === 'kind' ? leakKinds[s.key as LeakKind] : s.name || s.key || 'None');
  // Months stand in their order, all else from the largest to the smallest.
  const shown = by === 'month' ? [...sums].sort((a, b) => a.key.localeCompare(b.key)) : sums;
  const some = shown.slice(0, drawnAtMost);
  const names = some.map(nameOf);
  const option = useCallback(
    (colour: Colours) => drawn(some, names, currency, colour),
    // What is drawn is made anew with the sums alone.
    // eslint-disable-next-line react-hooks/exhaustive-deps
    [sums, by, currency],
  );
  return (
    <Charted
      title={`${leakBys[by]}, in ${currency}`}
      drawing={
        <Chart
          label={`Leakage ${leakBys[by].toLowerCase()}; ${names[0]} ${money(some[0]?.amount)}`}
          height={150}
          option={option}
          onPick={(i) => some[i] && onOpen(some[i].key)}
        />
      }
      table={
        <Grid
          label="Leakage added up"
          rows={shown}
          keyOf={(s) => s.key}
          columns={[
            {
              title: leakBys[by],
              cell: (s) => (
                <button type="button" className="linkish" onClick={() => onOpen(s.key)}>
                  {nameOf(s)}
                </button>
              ),
            },
            { title: 'Cases', figure: true, cell: (s) => s.cases },
            { title: 'Amount', figure: true, cell: (s) => money(s.amount) },
          ]}
        />
      }
    />
  );
}

const drawn = (sums: LeakSumView[], names: string[], currency: string, colour: Colours) => ({
  tooltip: pointed(colour, (i) => [
    `<b>${names[i]}</b>`,
    `${sums[i].cases} cases, ${withCurrency(sums[i].amount, currency)}`,
  ]),
  xAxis: {
    type: 'category',
    data: names,
    ...axis(colour),
    axisLabel: {
      ...axis(colour).axisLabel,
      interval: 0,
      width: Math.max(80, Math.floor(1000 / Math.max(1, sums.length)) - 20),
      overflow: 'truncate',
    },
  },
  yAxis: { type: 'value', ...axis(colour) },
  series: [
    {
      type: 'bar',
      barCategoryGap: '40%',
      itemStyle: { color: colour('--accent') },
      emphasis: { disabled: true },
      data: sums.map((s) => Number(s.amount)),
    },
  ],
});
