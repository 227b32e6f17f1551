import { describe, expect, it } from 'vitest';
import { iso } from './dates';
import { typedDay, type Towards } from './typedDay';

// Monday.
const today = '2026-03-16';
const read = (text: string, towards?: Towards) => {
  const day = typedDay(text, today, towards);
  return day ? iso(day) : day;
};

describe('a day as it is typed', () => {
  it.each([
    ['16.3.', '2026-03-16'],
    ['16.3', '2026-03-16'],
    ['16/3/26', '2026-03-16'],
    ['16-03-2026', '2026-03-16'],
    ['16 mar', '2026-03-16'],
    ['16mar', '2026-03-16'],
    ['11 Mar 2026', '2026-03-11'],
    ['Mon 11 May 2026', '2026-05-11'],
    ['March 9, 2026', '2026-03-09'],
    ['2026-03-16', '2026-03-16'],
    ['today', '2026-03-16'],
    ['yesterday', '2026-03-15'],
    ['+10', '2026-03-26'],
    ['-3', '2026-03-13'],
    ['fri', '2026-03-20'],
    ['Monday', '2026-03-16'],
    // The year nearest to today.
    ['28.12.', '2025-12-28'],
    ['2.1.', '2026-01-02'],
    ['29.2.', undefined],
    ['29.2.28', '2028-02-29'],
  ])('%s', (text, day) => {
    expect(read(text)).toBe(day);
  });

  it('looks for a weekday towards the days that may be meant', () => {
    expect(read('fri', 'past')).toBe('2026-03-13');
    expect(read('mon', 'past')).toBe('2026-03-16');
  });

  it.each(['31.2.2026', '16.13.', 'soon', 'monkey', '16', '12345', '16.3.226', '1,2'])('%s cannot be read', (text) => {
    expect(typedDay(text, today)).toBeUndefined();
  });

  it('is nothing where nothing is typed', () => {
    expect(typedDay('  ', today)).toBeNull();
  });
});
