import { describe, expect, it } from 'vitest';
import type { ItemView } from '../api/generated';
import { dayNumber } from '../format/dates';
import { ageColour, bucketName } from './ages';
import { axisOf } from './LifeStrip';

const item = (date: string, due: string) => ({ date, due }) as ItemView;

describe('the axis of life strips', () => {
  const today = '2026-03-16';

  it('holds the items, the business date and some weeks to come', () => {
    const axis = axisOf([item('2026-01-11', '2026-02-10'), item('2026-03-12', '2026-04-26')], today);
    expect(axis.from).toBe(dayNumber('2026-01-11'));
    expect(axis.to).toBe(dayNumber('2026-05-06'));
    expect(axis.today).toBe(dayNumber(today));
  });

  it('does not let one very old item press the others together', () => {
    expect(axisOf([item('2019-01-01', '2019-02-01')], today).from).toBe(dayNumber(today) - 335);
  });

  it('has a length even without items', () => {
    const axis = axisOf([], today);
    expect(axis.to).toBeGreaterThan(axis.today);
    expect(axis.from).toBeLessThan(axis.today);
  });
});

describe('the ageing ramp', () => {
  it('names buckets as people read them', () => {
    expect(['notDue', '1-30', 'over90'].map(bucketName)).toEqual(['Not due', '1–30', 'Over 90']);
  });

  it('never runs out of colours', () => {
    expect(ageColour(0)).toBe('var(--age-0)');
    expect(ageColour(99)).toBe('var(--age-7)');
  });
});
