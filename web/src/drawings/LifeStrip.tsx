import dayjs from 'dayjs';
import type { AgeingBasis, ItemChangeView, ItemView } from '../api/generated';
import { day, dayNumber } from '../format/dates';
import { isNegative, isZero, money, size } from '../format/money';
import { ageColour } from './ages';
import type { Hold } from './holds';

/** The stretch of time that all strips of a table share. */
export interface Axis {
  from: number;
  to: number;
  today: number;
}

const ahead = 40;

/** From the oldest item, but not more than eleven months back, to some weeks after the latest due date. */
export function axisOf(items: ItemView[], asOf: string): Axis {
  const today = dayNumber(asOf);
  const oldest = Math.min(today - 30, ...items.map((i) => dayNumber(i.date)));
  const latest = Math.max(today + ahead, ...items.map((i) => dayNumber(i.due) + 10));
  return { from: Math.max(oldest, today - 335), to: Math.min(latest, today + 150), today };
}

/** A day's place on the axis in percent of its length, so that only lengths change with the width, never shapes. */
const place = (axis: Axis, at: number) =>
  Number((Math.max(0, Math.min(1, (at - axis.from) / (axis.to - axis.from))) * 100).toFixed(2));
const x = (axis: Axis, at: number) => `${place(axis, at)}%`;

export function AxisHead({ axis }: { axis: Axis }) {
  const months: { at: number; name: string }[] = [];
  let month = dayjs(axis.from * 86_400_000)
    .startOf('month')
    .add(1, 'month');
  const many = axis.to - axis.from > 300;
  while (dayNumber(month.format('YYYY-MM-DD')) < axis.to - 8) {
    if (!many || month.month() % 2 === 0)
      months.push({ at: dayNumber(month.format('YYYY-MM-DD')), name: month.format('MMM') });
    month = month.add(1, 'month');
  }
  return (
    <svg width="100%" height="14" aria-hidden="true" style={{ overflow: 'visible' }}>
      {months.map((m) => (
        <text key={m.at} x={x(axis, m.at)} y="11" fontSize="12" fill="var(--muted)">
          {m.name}
        </text>
      ))}
    </svg>
  );
}

/** Whether it takes back what was settled: a reversal or a correction. */
const isBack = (c: ItemChangeView) => [c.cash, c.discount, c.writeOff, c.setOff].some(isNegative);

/** What a posting did to an item, in words. */
function told(c: ItemChangeView, debit: boolean) {
  const back = isBack(c);
  const parts = [
    [debit ? 'paid' : 'used', c.cash],
    ['discount', c.discount],
    ['written off', c.writeOff],
    ['set off', c.setOff],
  ]
    .filter(([, amount]) => !isZero(amount as string))
    .map(([name, amount]) => `${name} ${size(amount as string)}${isNegative(amount as string) ? ' taken back' : ''}`);
  const posted = c.posted === c.valueDate ? '' : `, posted ${day(c.posted)}`;
  return { back, text: `${parts.join(', ')}; value ${day(c.valueDate)}${posted}` };
}

export interface Ages {
  by: AgeingBasis;
  upTo: readonly number[];
}

/**
 * One item on a time axis: discount window, time to the due date, then its age; reminders sent are full, to come hollow. Below
 * it, full, what settled it by value date; hollow, what was taken back, on the day it was. Above it, a line for as long as it is
 * held: full for its own dispute, dashed for a promise or a pause of the account.
 */
export function LifeStrip({
  item,
  axis,
  ages,
  holds = [],
}: {
  item: ItemView;
  axis: Axis;
  /** The company's ageing: what age is counted from, and the last day of each bucket. */
  ages: Ages;
  holds?: Hold[];
}) {
  const start = dayNumber(item.date);
  const due = dayNumber(item.due);
  const debit = !item.open.startsWith('-');
  const windowEnd = Math.max(start, ...item.discounts.map((d) => dayNumber(d.lastDay)));
  const parts: { from: number; to: number; fill: string; faded?: boolean; title: string }[] = [];
  if (debit) {
    if (windowEnd > start)
      parts.push({
        from: start,
        to: windowEnd,
        fill: 'var(--discount)',
        title: `Discount ${item.discounts.map((d) => `${money(d.amount)} until ${day(d.deadline)}`).join(', ')}`,
      });
    if (due > windowEnd) parts.push({ from: windowEnd, to: due, fill: 'var(--wait)', title: `Due ${day(item.due)}` });
    const end = Math.max(axis.today, due) + ahead;
    const cuts = [0, ...ages.upTo, 100_000];
    const born = ages.by === 'invoice' ? start : due;
    for (let i = 0; i < cuts.length - 1; i++) {
      // Before it is due it waits, however old it is by its date.
      const from = Math.max(born + cuts[i], due);
      const to = Math.min(born + cuts[i + 1], end);
      if (born + cuts[i] >= end) break;
      if (from >= to) continue;
      const title =
        `${cuts[i] + 1} to ${i === cuts.length - 2 ? 'more' : cuts[i + 1]} days ` +
        `${ages.by === 'invoice' ? 'since its date' : 'overdue'}, ` +
        `from ${day(dayjs((from + 1) * 86_400_000).format('YYYY-MM-DD'))}`;
      if (from < axis.today) parts.push({ from, to: Math.min(to, axis.today), fill: ageColour(i + 1), title });
      if (to > axis.today)
        parts.push({ from: Math.max(from, axis.today), to, fill: ageColour(i + 1), faded: true, title });
    }
  } else {
    parts.push({
      from: start,
      to: axis.today,
      fill: 'var(--discount)',
      faded: true,
      title: `Credit since ${day(item.date)}`,
    });
  }
  const changes = item.changes.map((c) => ({ ...told(c, debit), at: dayNumber(isBack(c) ? c.posted : c.valueDate) }));
  const corrections = changes.filter((c) => c.back).length;
  const sent = item.marks.filter((m) => m.sent).length;
  const label =
    `${item.document}: dated ${day(item.date)}, due ${day(item.due)}` +
    (item.daysOverdue > 0 ? `, ${item.daysOverdue} days overdue` : '') +
    `, ${sent} ${sent === 1 ? 'reminder' : 'reminders'} sent` +
    (corrections > 0 ? `, ${corrections} ${corrections === 1 ? 'correction' : 'corrections'}` : '') +
    holds.map((h) => `; ${h.text}`).join('');
  return (
    <svg width="100%" height="24" role="img" aria-label={label} style={{ display: 'block', overflow: 'visible' }}>
      {parts.map((part, i) => (
        <rect
          key={i}
          x={x(axis, part.from)}
          y="9"
          height="7"
          width={`${(place(axis, part.to) - place(axis, part.from)).toFixed(2)}%`}
          fill={part.fill}
          opacity={part.faded ? 0.32 : 1}
        >
          <title>{part.title}</title>
        </rect>
      ))}
      {holds
        .filter((h) => h.from < axis.to && (h.to ?? axis.to) > axis.from)
        .map((h, i) => (
          <g key={`hold ${i}`} stroke="var(--ink)" strokeWidth="1.5">
            <line
              x1={x(axis, h.from)}
              x2={x(axis, h.to ?? axis.to)}
              y1={h.own ? 5.5 : 2}
              y2={h.own ? 5.5 : 2}
              strokeDasharray={h.own ? undefined : '4 2'}
            />
            {h.to !== null && h.to < axis.to && (
              <line x1={x(axis, h.to)} x2={x(axis, h.to)} y1={h.own ? 3.5 : 0} y2={h.own ? 7.5 : 4} />
            )}
            <title>{h.text}</title>
          </g>
        ))}
      {debit && due > axis.from && (
        <line x1={x(axis, due)} x2={x(axis, due)} y1="4" y2="21" stroke="var(--ink)" strokeWidth="1.5" />
      )}
      <line
        x1={x(axis, axis.today)}
        x2={x(axis, axis.today)}
        y1="0"
        y2="24"
        stroke="var(--alarm)"
        strokeDasharray="2 2"
      />
      {changes
        .filter((c) => c.at > axis.from && c.at <= axis.to)
        .map((c, i) => (
          <svg key={`change ${i}`} x={x(axis, c.at)} y="17" style={{ overflow: 'visible' }}>
            <path
              d={c.back ? 'M-3.5 6.5 L0 1 L3.5 6.5 Z' : 'M-3.5 1 L0 6.5 L3.5 1 Z'}
              fill={c.back ? 'var(--card)' : 'var(--accent)'}
              stroke="var(--accent)"
              strokeWidth="1.2"
            />
            <title>{c.text}</title>
          </svg>
        ))}
      {item.marks
        .filter((m) => dayNumber(m.date) > axis.from && dayNumber(m.date) < axis.to)
        .map((m) => (
          <g key={`${m.level}${m.date}`}>
            <circle
              cx={x(axis, dayNumber(m.date))}
              cy="12.5"
              r="6.5"
              fill={m.sent ? 'var(--ink)' : 'var(--card)'}
              stroke="var(--ink)"
            />
            <text
              x={x(axis, dayNumber(m.date))}
              y="16"
              fontSize="9.5"
              fontWeight="700"
              textAnchor="middle"
              fill={m.sent ? 'var(--card)' : 'var(--ink)'}
            >
              {m.level}
            </text>
            <title>
              {m.sent
                ? `Reminder ${m.number ?? ''}, level ${m.level}, ${day(m.date)}`
                : `Level ${m.level} can go out on ${day(m.date)}`}
            </title>
          </g>
        ))}
    </svg>
  );
}
