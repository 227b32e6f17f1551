import { describe, expect, it } from 'vitest';
import type { TaxCodeView } from '../../api/generated';
import { asRequest, asTyped } from './taxForm';

describe('a tax code as it is typed and sent', () => {
  it('comes back as it was when nothing is typed', () => {
    const rates = [{ from: '2024-01-01', percent: '8.875', components: [{ authority: 'City', percent: '4.5' }] }];
    const code = { code: 'NYC', name: 'New York City', freightTaxed: false, rates } as TaxCodeView;
    expect(asRequest(asTyped(code))).toEqual({
      code: 'NYC',
      name: 'New York City',
      freightTaxed: false,
      reason: '',
      rates,
    });
  });

  it('is named by its code until it has a name, and sends an empty row as empty', () => {
    const typed = { ...asTyped(undefined), code: 'STD' };
    expect(asRequest(typed).name).toBe('STD');
    typed.rates = [undefined as never, { from: null, percent: '', components: [] }];
    expect(asRequest(typed).rates).toEqual([
      { from: '', percent: '', components: [] },
      { from: '', percent: '', components: [] },
    ]);
  });
});
