import dayjs, { type Dayjs } from 'dayjs';

export const day = (iso: string | null | undefined) => (iso ? dayjs(iso).format('D MMM YYYY') : '');

export const shortDay = (iso: string) => dayjs(iso).format('D MMM');

export const weekday = (iso: string) => dayjs(iso).format('ddd D MMM YYYY');

export const iso = (date: Dayjs | null | undefined) => (date ? date.format('YYYY-MM-DD') : '');

/** Whole days since an arbitrary origin, for drawing on a time axis. */
export const dayNumber = (text: string) => Math.round(Date.parse(text + 'T00:00:00Z') / 86_400_000);
