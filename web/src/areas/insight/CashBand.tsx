import { useCallback } from 'react';
import type { CashForecastView } from '../../api/generated';
import { axis, Chart, legend, pointed, type Colours } from '../../drawings/Chart';
import { day, shortDay } from '../../format/dates';
import { money, withCurrency } from '../../format/money';

const bands = [
  { key: 'promised', name: 'Promised', colour: '--accent' },
  { key: 'usual', name: 'As usual', colour: '--age-0' },
  { key: 'late', name: 'Late', colour: '--age-2' },
] as const;

/** The weeks as bars in bands of certainty; the list under it has the same figures. */
export function CashBand({ forecast, onWeek }: { forecast: CashForecastView; onWeek: (index: number) => void }) {
  const option = useCallback((colour: Colours) => drawn(forecast, colour), [forecast]);
  return (
    <section className="card charted">
      <h2>Expected week by week, in {forecast.currency}</h2>
      <Chart
        label={`Cash expected in thirteen weeks after ${day(forecast.asOf)}: ${money(forecast.expected)}`}
        height={170}
        option={option}
        onPick={onWeek}
      />
    </section>
  );
}

const drawn = (f: CashForecastView, colour: Colours) => ({
  tooltip: pointed(colour, (i) => {
    const week = f.weeks[i];
    return [
      `<b>${day(week.from)} to ${day(week.to)}</b>`,
      ...bands.map((b) => `${b.name}: ${money(week[b.key])}`),
      `Expected: ${withCurrency(week.sum, f.currency)}`,
    ];
  }),
  legend: legend(colour),
  xAxis: { type: 'category', data: f.weeks.map((w) => shortDay(w.from)), ...axis(colour) },
  yAxis: { type: 'value', ...axis(colour) },
  series: bands.map((b) => ({
    name: b.name,
    type: 'bar',
    stack: 'cash',
    barCategoryGap: '28%',
    itemStyle: { color: colour(b.colour) },
    emphasis: { disabled: true },
    data: f.weeks.map((w) => Number(w[b.key])),
  })),
});
