import { expect, it } from 'vitest';
import { ofText, textOf } from './postingAccount';

it('comes back from the address as it went in, whatever its number holds', () => {
  for (const account of ['1200', '', '12-00', 'ABC/7'])
    expect(ofText(textOf({ account, purpose: 'receivables', currency: 'GBP' }))).toEqual({
      account,
      purpose: 'receivables',
      currency: 'GBP',
    });
});

it('is none where the address names none, or something that is none', () => {
  for (const text of [null, '', 'GBP', 'GBP-nothing-1200', 'pounds-receivables-1200']) expect(ofText(text)).toBeNull();
});
