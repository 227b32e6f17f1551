import { day, dayNumber } from '../format/dates';
import { ceiling, stepPath } from './steps';

const [width, height] = [440, 150];

/** A rate that changes from time to time, as steps. */
export function RateSteps({ rates }: { rates: { from: string; annualRate: string }[] }) {
  const known = rates
    .map((r) => ({ from: r.from, at: dayNumber(r.from), rate: Number(r.annualRate) }))
    .filter((r) => Number.isFinite(r.at) && Number.isFinite(r.rate) && r.from !== '')
    .sort((a, b) => a.at - b.at);
  const [first, last] = [known[0], known.at(-1)];
  if (!first || !last) return <p className="muted small">Give the days and rates to see them.</p>;
  const span = Math.max(30, (last.at - first.at) * 1.15);
  const top = ceiling(Math.max(...known.map((r) => r.rate)));
  const bottom = Math.min(0, ...known.map((r) => r.rate));
  const x = (at: number) => 34 + ((at - first.at) / span) * (width - 44);
  const y = (rate: number) => 10 + ((top - rate) / (top - bottom)) * (height - 34);
  return (
    <svg
      viewBox={`0 0 ${width} ${height}`}
      width="100%"
      role="img"
      aria-label={known.map((r) => `from ${day(r.from)} ${r.rate} %`).join('; ')}
    >
      <line x1="34" x2={width} y1={y(0)} y2={y(0)} stroke="var(--line)" />
      <text x="30" y={y(top) + 4} textAnchor="end" fontSize="11" fill="var(--muted)">
        {top}%
      </text>
      <text x="30" y={y(0) + 4} textAnchor="end" fontSize="11" fill="var(--muted)">
        0
      </text>
      <path
        d={stepPath(
          known.map((r) => ({ x: x(r.at), y: y(r.rate) })),
          width - 4,
        )}
        fill="none"
        stroke="var(--accent)"
        strokeWidth="2"
      />
      {known.map((r) => (
        <text key={r.from} x={x(r.at) + 4} y={y(r.rate) + 14} fontSize="11" fill="var(--ink)">
          {r.rate}
        </text>
      ))}
      <text x="34" y={height - 4} fontSize="11" fill="var(--muted)">
        {day(first.from)}
      </text>
      <text x={x(last.at)} y={height - 4} fontSize="11" fill="var(--muted)" textAnchor="middle">
        {known.length > 1 ? day(last.from) : ''}
      </text>
    </svg>
  );
}
