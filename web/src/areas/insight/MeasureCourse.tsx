import { useCallback } from 'react';
import type { MeasuresView } from '../../api/generated';
import { axis, Chart, pointed, type Colours } from '../../drawings/Chart';
import { day } from '../../format/dates';
import { Grid } from '../../table/Grid';
import { Charted } from './Charted';
import type { Measure } from './measures';

/** The course of one measure at the ends of twelve months; each point opens its workings. */
export function MeasureCourse({
  measure,
  points,
  onPoint,
}: {
  measure: Measure;
  points: MeasuresView[];
  onPoint: (point: MeasuresView) => void;
}) {
  const option = useCallback((colour: Colours) => drawn(measure, points, colour), [measure, points]);
  const last = points.at(-1);
  if (!last) return null;
  return (
    <Charted
      title={
        <>
          {measure.name}{' '}
          <span className="muted">
            at the ends of twelve months, each over {months(last)} {months(last) === 1 ? 'month' : 'months'}
          </span>
        </>
      }
      drawing={
        <Chart
          label={`${measure.name} over twelve months; ${measure.text(last)} on ${day(last.to)}`}
          height={345}
          option={option}
          onPick={(i) => points[i] && onPoint(points[i])}
        />
      }
      table={
        <Grid
          label={`${measure.name} over twelve months`}
          rows={points}
          keyOf={(p) => p.to}
          columns={[
            { title: 'From', className: 'nowrap', cell: (p) => day(p.from) },
            { title: 'To', className: 'nowrap', cell: (p) => day(p.to) },
            { title: measure.name, figure: true, cell: (p) => measure.text(p) },
            {
              hidden: 'Workings',
              cell: (p) => (
                <button type="button" className="linkish" onClick={() => onPoint(p)}>
                  Workings
                </button>
              ),
            },
          ]}
        />
      }
    />
  );
}

const months = (m: MeasuresView) => {
  const at = (iso: string) => Number(iso.slice(0, 4)) * 12 + Number(iso.slice(5, 7));
  return at(m.to) - at(m.from) + 1;
};

const drawn = (measure: Measure, points: MeasuresView[], colour: Colours) => ({
  tooltip: pointed(colour, (i) => [
    `${day(points[i].from)} to ${day(points[i].to)}`,
    `<b>${measure.text(points[i])}</b>`,
  ]),
  xAxis: { type: 'category', data: points.map((p) => day(p.to).replace(/^\d+ /, '')), ...axis(colour) },
  yAxis: { type: 'value', scale: measure.unit !== 'amount', ...axis(colour) },
  series: [
    {
      type: measure.unit === 'amount' ? 'bar' : 'line',
      barCategoryGap: '40%',
      symbolSize: 7,
      itemStyle: { color: colour('--accent') },
      lineStyle: { color: colour('--accent'), width: 2 },
      emphasis: { disabled: true },
      data: points.map((p) => {
        const of = measure.value(p);
        return of === null ? null : measure.unit === 'share' ? Number(of) * 100 : Number(of);
      }),
    },
  ],
});
