import type { CoursePoint } from '../api/generated';
import { day, dayNumber } from '../format/dates';
import { money } from '../format/money';
import { ceiling } from './steps';

const [width, height, left] = [500, 150, 58];

/** Exposure as a line under the limit as steps; where it lies above, the alarm colour fills the space between. */
export function CourseChart({
  course,
  passesOn,
  label,
}: {
  course: CoursePoint[];
  passesOn?: string | null;
  label: string;
}) {
  const points = course.map((p) => ({
    day: p.day,
    at: dayNumber(p.day),
    limit: Number(p.limit),
    exposure: Math.max(0, Number(p.exposure)),
  }));
  const [first, last] = [points[0], points.at(-1)];
  if (!first || !last) return null;
  const top = ceiling(Math.max(1, ...points.map((p) => Math.max(p.limit, p.exposure))));
  const x = (at: number) => left + ((at - first.at) / Math.max(1, last.at - first.at)) * (width - left - 8);
  const y = (amount: number) => 8 + ((top - amount) / top) * (height - 30);
  const line = points.map((p, i) => `${i === 0 ? 'M' : 'L'}${x(p.at).toFixed(1)} ${y(p.exposure).toFixed(1)}`).join('');
  // It begins with the first limit there was.
  const limited = points.slice(
    Math.max(
      0,
      points.findIndex((p) => p.limit > 0),
    ),
  );
  const limit = limited
    .map((p, i) =>
      i === 0 ? `M${x(p.at).toFixed(1)} ${y(p.limit).toFixed(1)}` : `H${x(p.at).toFixed(1)}V${y(p.limit).toFixed(1)}`,
    )
    .join('');
  const over = points
    .slice(1)
    .map((p, i) => ({ from: points[i], to: p }))
    // Before there was a limit there was none to pass.
    .filter(({ from, to }) => from.limit > 0 && from.exposure > from.limit && to.exposure > to.limit)
    .map(
      ({ from, to }) =>
        `M${x(from.at)} ${y(from.limit)}L${x(from.at)} ${y(from.exposure)}` +
        `L${x(to.at)} ${y(to.exposure)}L${x(to.at)} ${y(to.limit)}Z`,
    )
    .join('');
  const passes = passesOn ? x(dayNumber(passesOn)) : undefined;
  const end = course[course.length - 1];
  return (
    <svg
      className="chart"
      viewBox={`0 0 ${width} ${height}`}
      role="img"
      aria-label={`${label}: on ${day(end.day)} exposure ${money(end.exposure)}, limit ${money(end.limit)}`}
    >
      {[0, top / 2, top].map((amount) => (
        <g key={amount}>
          <line x1={left} x2={width} y1={y(amount)} y2={y(amount)} stroke="var(--line)" />
          <text x={left - 6} y={y(amount) + 4} textAnchor="end" fontSize="11" fill="var(--muted)">
            {money(amount.toFixed(0))}
          </text>
        </g>
      ))}
      <path d={over} fill="var(--alarm-soft)" stroke="none" />
      <path d={limit} fill="none" stroke="var(--ink)" strokeWidth="1.6" strokeDasharray="5 3" />
      <path d={line} fill="none" stroke="var(--accent)" strokeWidth="2" />
      {passes !== undefined && (
        <>
          <line x1={passes} x2={passes} y1={8} y2={height - 22} stroke="var(--alarm)" strokeWidth="1.5" />
          <text x={passes + 4} y={18} fontSize="11" fill="var(--alarm)">
            {day(passesOn)}
          </text>
        </>
      )}
      <text x={left} y={height - 4} fontSize="11" fill="var(--muted)">
        {day(first.day)}
      </text>
      <text x={width} y={height - 4} fontSize="11" fill="var(--muted)" textAnchor="end">
        {day(last.day)}
      </text>
    </svg>
  );
}

export const CourseLegend = () => (
  <p className="muted small" style={{ margin: '2px 0 0' }}>
    Line: exposure. Dashed: limit with uplifts.
  </p>
);
