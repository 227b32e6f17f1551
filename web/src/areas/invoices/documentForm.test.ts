import { describe, expect, it } from 'vitest';
import { asDiscount, asLines, emptyLine, isReady } from './documentForm';

const rope = { ...emptyLine, text: 'Rope', quantity: '1,200', unitPrice: '0.85' };

describe('the lines of a document', () => {
  it('are sent without those that stand empty, and without the commas that group figures', () => {
    expect(asLines([rope, emptyLine])).toEqual([
      { text: 'Rope', quantity: '1200', unitPrice: '0.85', discountable: true, freight: false },
    ]);
  });

  it('name a tax code where one was chosen, also that of no tax', () => {
    expect(asLines([{ ...rope, taxCode: '' }])[0]).toHaveProperty('taxCode', '');
    expect(asLines([{ ...rope, taxCode: 'RED' }])[0]).toHaveProperty('taxCode', 'RED');
    expect(asLines([rope])[0]).not.toHaveProperty('taxCode');
  });

  it('are enough once each that was begun has its text and price', () => {
    expect(isReady(true, [emptyLine], '')).toBe(false);
    expect(isReady(true, [rope, { ...emptyLine, text: 'Shackles' }], '')).toBe(false);
    expect(isReady(true, [rope, emptyLine], '')).toBe(true);
    expect(isReady(false, [rope], '')).toBe(false);
    expect(isReady(false, [], '100')).toBe(true);
  });
});

describe('a discount on one document', () => {
  it('is a percent or an amount', () => {
    expect(asDiscount({ percent: '3' }, 7)).toEqual({ percent: '3', days: 7 });
    expect(asDiscount({ percent: null, amount: '1,000.00' }, 0)).toEqual({ amount: '1000.00', days: 0 });
    expect(asDiscount(null, 7)).toBeUndefined();
  });
});
