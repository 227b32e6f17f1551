import type { DailyTotal, SegmentLine } from '../api/generated';
import { day, dayNumber } from '../format/dates';
import { money } from '../format/money';
import { ceiling, stepPath } from './steps';

const [width, height, left, base] = [440, 150, 46, 118];

/** How a late charge grows from the due date on, day by day; the segments it is made of are marked below. */
export function ChargeChart({ days, segments }: { days: DailyTotal[]; segments: SegmentLine[] }) {
  const [first, last] = [days[0], days.at(-1)];
  if (!first || !last || days.length < 2) return null;
  const start = dayNumber(first.date);
  const span = dayNumber(last.date) - start;
  const top = ceiling(Math.max(...days.map((d) => Number(d.total))));
  const x = (date: string) => left + ((dayNumber(date) - start) / span) * (width - left - 6);
  const y = (total: number) => 10 + ((top - total) / top) * (base - 10);
  // Bands share their days, so each stretch of time is marked once.
  const stretches = segments.filter((s, i) => segments.findIndex((other) => other.from === s.from) === i);
  return (
    <svg
      viewBox={`0 0 ${width} ${height}`}
      width="100%"
      role="img"
      aria-label={
        `The charge grows from ${money(first.total)} on ${day(first.date)} ` +
        `to ${money(last.total)} on ${day(last.date)} in ${stretches.length} segments`
      }
    >
      <line x1={left} x2={width - 6} y1={base} y2={base} stroke="var(--line)" />
      <text x={left - 5} y={y(top) + 4} textAnchor="end" fontSize="11" fill="var(--muted)">
        {money(top.toFixed(2))}
      </text>
      <text x={left - 5} y={base + 4} textAnchor="end" fontSize="11" fill="var(--muted)">
        0
      </text>
      {stretches.map((s, i) => (
        <rect
          key={s.from}
          x={x(s.from)}
          width={Math.max(2, Math.min(width - 6, x(s.to)) - x(s.from))}
          y={base + 3}
          height="6"
          fill={i % 2 === 0 ? 'var(--accent)' : 'var(--muted)'}
        >
          <title>{`${day(s.from)} to ${day(s.to)}: ${s.days} days at ${s.annualRate} %`}</title>
        </rect>
      ))}
      <path
        d={stepPath(
          days.map((d) => ({ x: x(d.date), y: y(Number(d.total)) })),
          width - 6,
        )}
        fill="none"
        stroke="var(--accent)"
        strokeWidth="2"
      />
      <text x={left} y={height - 6} fontSize="11" fill="var(--muted)">
        due {day(first.date)}
      </text>
      <text x={width - 6} y={height - 6} fontSize="11" fill="var(--muted)" textAnchor="end">
        {day(last.date)}
      </text>
    </svg>
  );
}
