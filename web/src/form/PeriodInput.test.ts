import dayjs from 'dayjs';
import { expect, test } from 'vitest';
import { inOrder } from './PeriodInput';

const days = (from: string, to: string) => [dayjs(from), dayjs(to)] as const;
const said = (period: readonly dayjs.Dayjs[]) => period.map((d) => d.format('YYYY-MM-DD')).join(' ');

test('a day that passes the other takes it along', () => {
  expect(said(inOrder(days('2026-03-01', '2026-03-16'), 'from'))).toBe('2026-03-01 2026-03-16');
  expect(said(inOrder(days('2026-04-02', '2026-03-16'), 'from'))).toBe('2026-04-02 2026-04-02');
  expect(said(inOrder(days('2026-03-01', '2026-02-10'), 'to'))).toBe('2026-02-10 2026-02-10');
  expect(said(inOrder(days('2026-03-16', '2026-03-16'), 'to'))).toBe('2026-03-16 2026-03-16');
});
