import { describe, expect, it } from 'vitest';
import { isFigure, parted, room } from './figures';

describe('figures in workings', () => {
  it.each([
    ['7088.59', true],
    ['-12', true],
    ['−0.041095890411', true],
    ['8 %', false],
    ['16 Mar 2026', false],
    ['—', false],
    ['', false],
  ])('%s is a figure: %s', (value, figure) => expect(isFigure(value)).toBe(figure));

  it.each([
    ['1234567.891', '1,234,567', '.891'],
    ['-4462.93', '−4,462', '.93'],
    ['−4462.93', '−4,462', '.93'],
    ['60', '60', ''],
  ])('%s is parted into %s and %s', (value, whole, rest) => expect(parted(value)).toEqual({ whole, rest }));

  it('leaves room for the longest part behind a point, whatever words stand between', () => {
    expect(room(['1.5', '60', '0.041095', '16.03.2026 and so on', '—'])).toBe(7);
    expect(room(['60', 'words'])).toBe(0);
    expect(room([])).toBe(0);
  });
});
