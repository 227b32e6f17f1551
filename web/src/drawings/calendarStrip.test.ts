import { expect, test } from 'vitest';
import { layOut } from './calendarStrip';

test('deadlines and dues stand in proportion to their days', () => {
  const strip = layOut(
    '2026-03-16',
    [{ date: '2026-04-15', text: '1,200.00' }],
    [{ date: '2026-03-26', text: '20.00' }],
    [],
  );
  expect(strip.span).toBe(34);
  expect(strip.deadlines[0]!.at).toBeCloseTo((10 / 34) * 100);
  expect(strip.dues[0]!.at).toBeCloseTo((30 / 34) * 100);
  expect(strip.months.map((m) => m.label)).toEqual(['Mar', 'Apr']);
  expect(strip.months[1]!.at).toBeCloseTo((16 / 34) * 100);
});

test('weekends and holidays are marked where the days are wide enough to see', () => {
  const near = layOut('2026-03-16', [{ date: '2026-03-23', text: '' }], [], ['2026-03-18']);
  expect(near.closed.map((c) => [Math.round((c.at * near.span) / 100), c.holiday])).toEqual([
    [2, true],
    [5, false],
    [6, false],
  ]);
  expect(layOut('2026-03-16', [{ date: '2026-12-31', text: '' }], [], []).closed).toEqual([]);
});

test('terms paid at once still have a strip', () => {
  const strip = layOut('2026-03-16', [{ date: '2026-03-16', text: '' }], [], []);
  expect(strip.span).toBeGreaterThan(0);
  expect(strip.dues[0]!.at).toBe(0);
});
