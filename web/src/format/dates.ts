import dayjs, { type Dayjs } from 'dayjs';

/** How a day is written, also where it is typed. */
export const dayFormat = 'D MMM YYYY';

export const day = (iso: string | null | undefined) => (iso ? dayjs(iso).format(dayFormat) : '');

export const shortDay = (iso: string) => dayjs(iso).format('D MMM');

export const weekday = (iso: string) => dayjs(iso).format('ddd D MMM YYYY');

/** A moment as the server recorded it, to the minute. */
export const moment = (at: string) => at.slice(0, 16).replace('T', ' ');

/** As it is sent; empty for none, and for what is no day. */
export const iso = (date: Dayjs | null | undefined) => (date?.isValid() ? date.format('YYYY-MM-DD') : '');

/** Whole days since an arbitrary origin, for drawing on a time axis. */
export const dayNumber = (text: string) => Math.round(Date.parse(text + 'T00:00:00Z') / 86_400_000);
