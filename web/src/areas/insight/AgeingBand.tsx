import { useCallback } from 'react';
import type { AgeingCourseView } from '../../api/generated';
import { ageColour, bucketName } from '../../drawings/ages';
import { axis, Chart, legend, pointed, type Colours } from '../../drawings/Chart';
import { day } from '../../format/dates';
import { isNegative, money, withCurrency } from '../../format/money';
import { Grid } from '../../table/Grid';
import { Charted } from './Charted';

/** What was open at the ends of months, one bar for each, parted by age. */
export function AgeingBand({ course, onDay }: { course: AgeingCourseView; onDay: (day: string) => void }) {
  const option = useCallback((colour: Colours) => drawn(course, colour), [course]);
  const last = course.points.at(-1);
  return (
    <Charted
      title={`The last twelve months, in ${course.currency}`}
      drawing={
        <>
          <Chart
            label={`Open by age at the ends of months; on ${day(last?.day)} ${money(last?.amount)} in all`}
            height={150}
            option={option}
            onPick={(i) => {
              const at = course.points[i];
              if (at) onDay(i === course.points.length - 1 ? '' : at.day);
            }}
          />
          {course.withoutRate.length > 0 && (
            <p className="muted small">
              Without {course.withoutRate.join(', ')} on days for which there is no exchange rate.
            </p>
          )}
        </>
      }
      table={
        <Grid
          label="Open by age at the ends of months"
          rows={course.points}
          keyOf={(p) => p.day}
          columns={[
            { title: 'Day', className: 'nowrap', cell: (p) => day(p.day) },
            ...course.buckets.map((b, i) => ({
              title: bucketName(b),
              figure: true,
              cell: (p: AgeingCourseView['points'][number]) => money(p.ageing[i]?.amount),
            })),
            { title: 'Total', figure: true, cell: (p) => money(p.amount) },
          ]}
        />
      }
    />
  );
}

const drawn = (course: AgeingCourseView, colour: Colours) => ({
  tooltip: pointed(colour, (i) => {
    const point = course.points[i];
    return [
      `<b>${day(point.day)}</b>`,
      ...point.ageing.map((a) => `${bucketName(a.bucket)}: ${money(a.amount)}`),
      `Total: ${withCurrency(point.amount, course.currency)}`,
    ];
  }),
  legend: legend(colour),
  xAxis: { type: 'category', data: course.points.map((p) => day(p.day).replace(/^\d+ /, '')), ...axis(colour) },
  yAxis: { type: 'value', ...axis(colour) },
  series: course.buckets.map((bucket, i) => ({
    name: bucketName(bucket),
    type: 'bar',
    stack: 'age',
    barCategoryGap: '28%',
    itemStyle: { color: colour(ageColour(i).slice(4, -1)) },
    emphasis: { disabled: true },
    // A bucket of credits lies below the line.
    data: course.points.map((p) => {
      const amount = p.ageing[i]?.amount ?? '0';
      return isNegative(amount) ? -Math.abs(Number(amount)) : Number(amount);
    }),
  })),
});
