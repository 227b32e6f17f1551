import { describe, expect, it } from 'vitest';
import type { ItemView } from '../../api/generated';
import { asItems, smaller, isCredit } from './setOff';

describe('a set-off', () => {
  it('sends the items that take something, without the commas that group figures', () => {
    expect(asItems({ 7: '1,200.50', 9: ' ', 11: '3' })).toEqual([
      { item: 7, amount: '1200.50' },
      { item: 11, amount: '3' },
    ]);
  });

  it('gives from items of which less than nothing is open', () => {
    expect(isCredit({ open: '-12.00' } as ItemView)).toBe(true);
    expect(isCredit({ open: '12.00' } as ItemView)).toBe(false);
  });

  it('takes no more of an item than the credit has', () => {
    expect(smaller('750.00', '735.00')).toBe('735.00');
    expect(smaller('75.00', '735.00')).toBe('75.00');
    expect(smaller('735.00', '735.00')).toBe('735.00');
  });
});
