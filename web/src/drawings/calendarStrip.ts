import dayjs from 'dayjs';

export interface StripMark {
  date: string;
  text: string;
}

export interface StripMonth {
  label: string;
  at: number;
}

const daysBetween = (from: string, to: string) => dayjs(to).diff(dayjs(from), 'day');

/** Positions in percent along a strip that runs from the invoice to a little after the last due date. */
export function layOut(from: string, dues: StripMark[], deadlines: StripMark[], holidays: string[]) {
  const last = Math.max(...[...dues, ...deadlines].map((m) => daysBetween(from, m.date)), 1);
  const span = last + Math.max(2, Math.round(last * 0.12));
  const at = (date: string) => (daysBetween(from, date) / span) * 100;
  const months: StripMonth[] = [{ label: dayjs(from).format('MMM'), at: 0 }];
  for (
    let first = dayjs(from).startOf('month').add(1, 'month');
    first.diff(dayjs(from), 'day') < span;
    first = first.add(1, 'month')
  )
    months.push({ label: first.format('MMM'), at: at(first.format('YYYY-MM-DD')) });
  const closed: { at: number; width: number; holiday: boolean }[] = [];
  if (span <= 150)
    for (let n = 0; n < span; n++) {
      const day = dayjs(from).add(n, 'day');
      const holiday = holidays.includes(day.format('YYYY-MM-DD'));
      if (holiday || day.day() === 0 || day.day() === 6)
        closed.push({ at: (n / span) * 100, width: 100 / span, holiday });
    }
  return {
    span,
    months,
    closed,
    deadlines: deadlines.map((m) => ({ ...m, at: at(m.date) })),
    dues: dues.map((m) => ({ ...m, at: at(m.date) })),
  };
}
