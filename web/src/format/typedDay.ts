import dayjs, { type Dayjs } from 'dayjs';

const months = ['jan', 'feb', 'mar', 'apr', 'may', 'jun', 'jul', 'aug', 'sep', 'oct', 'nov', 'dec'];
const weekdays = ['sunday', 'monday', 'tuesday', 'wednesday', 'thursday', 'friday', 'saturday'];
const monthOf = (word: string) => months.indexOf(word.slice(0, 3));

/** Where a weekday or a day without a year is looked for: up to today, as value dates are, or from today on. */
export type Towards = 'past' | 'future';

/**
 * A day as people write it: 16.3., 16/3/26, 16 mar 2026, 2026-03-16, today, +10, fri. Without a year it is the one nearest to
 * today. Null for nothing typed, undefined for what cannot be read.
 */
export function typedDay(text: string, today: string, towards: Towards = 'future'): Dayjs | null | undefined {
  const typed = text.trim().toLowerCase();
  if (typed === '') return null;
  const now = dayjs(today);
  if (typed === 'today') return now;
  if (typed === 'tomorrow') return now.add(1, 'day');
  if (typed === 'yesterday') return now.subtract(1, 'day');
  const days = /^([+-])\s*(\d{1,4})$/.exec(typed);
  if (days) return now.add(Number(`${days[1]}${days[2]}`), 'day');
  if (/^[a-z]{3,9}$/.test(typed)) return weekday(typed, now, towards);
  const iso = /^(\d{4})-(\d{1,2})-(\d{1,2})$/.exec(typed);
  if (iso) return real(Number(iso[1]), Number(iso[2]), Number(iso[3]));
  // Day first, with a month in figures or in letters: dots, slashes, dashes or spaces between, a weekday before it.
  const first = /^(?:[a-z]{3,9},? )?(\d{1,2})[./\- ]*(\d{1,2}|[a-z]{3,9})(?:[./\-, ]+(\d{2}|\d{4}))?\.?$/.exec(typed);
  if (first && (/[a-z]/.test(first[2]!) || /[./\- ]/.test(typed)))
    return dated(Number(first[1]), first[2]!, first[3], now);
  const named = /^([a-z]{3,9})\.? (\d{1,2})(?:,? (\d{4}))?$/.exec(typed);
  return named ? dated(Number(named[2]), named[1]!, named[3], now) : undefined;
}

function weekday(word: string, now: Dayjs, towards: Towards): Dayjs | undefined {
  const at = weekdays.findIndex((w) => w.startsWith(word));
  if (at < 0) return undefined;
  const ahead = (at - now.day() + 7) % 7;
  return towards === 'past' ? now.subtract((7 - ahead) % 7, 'day') : now.add(ahead, 'day');
}

function dated(date: number, month: string, year: string | undefined, now: Dayjs): Dayjs | undefined {
  const m = /^\d/.test(month) ? Number(month) : monthOf(month) + 1;
  if (year) return real(year.length === 2 ? 2000 + Number(year) : Number(year), m, date);
  const near = [-1, 0, 1].map((d) => real(now.year() + d, m, date)).filter((d) => d !== undefined);
  return near.sort((a, b) => Math.abs(a.diff(now, 'day')) - Math.abs(b.diff(now, 'day')))[0];
}

/** The day of these figures; undefined where there is no such day. */
function real(year: number, month: number, date: number): Dayjs | undefined {
  if (month < 1 || month > 12 || year < 1900 || year > 2200) return undefined;
  const day = dayjs(new Date(year, month - 1, date));
  return day.date() === date && day.month() === month - 1 ? day : undefined;
}

/** A day in words, to be read back while it is typed. */
export const inWords = (day: Dayjs) => day.format('dddd D MMMM YYYY');
