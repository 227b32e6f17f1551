import { describe, expect, it } from 'vitest';
import {
  grouped,
  isNegative,
  isZero,
  money,
  moneyOrDash,
  oneDecimal,
  percent,
  signed,
  size,
  withCurrency,
} from './money';

describe('a change', () => {
  it.each([
    ['1234.50', '+1,234.50'],
    ['-1234.50', '−1,234.50'],
    ['0.00', '±0'],
    [null, '—'],
    [undefined, '—'],
  ])('%s reads %s', (change, text) => expect(signed(change)).toBe(text));
});

describe('amounts are written for reading and never changed', () => {
  it.each([
    ['0.00', '0.00'],
    ['999.99', '999.99'],
    ['1000.00', '1,000.00'],
    ['1234567.89', '1,234,567.89'],
    ['-20579.66', '−20,579.66'],
    ['1234567', '1,234,567'],
    ['0.123', '0.123'],
    ['90071992547409931.07', '90,071,992,547,409,931.07'],
    ['', ''],
  ])('%s is written %s', (amount, written) => expect(money(amount)).toBe(written));

  it('says nothing about what is not there', () => {
    expect(money(null)).toBe('');
    expect(moneyOrDash(undefined)).toBe('—');
    expect(moneyOrDash('0.00')).toBe('—');
    expect(moneyOrDash('0.01')).toBe('0.01');
  });

  it('tells sign and nothing apart', () => {
    expect(isNegative('-0.01')).toBe(true);
    expect(isNegative('-0.00')).toBe(false);
    expect(isZero('-0.00')).toBe(true);
    expect(isZero('0.10')).toBe(false);
    expect(size('-12.50')).toBe('12.50');
  });

  it('puts the sign before the currency, and the code after where there is no sign for it', () => {
    expect(withCurrency('-1200.00', 'GBP')).toBe('−£1,200.00');
    expect(withCurrency('1200', 'JPY')).toBe('1,200 JPY');
  });

  it('groups amounts in sentences and leaves document numbers alone', () => {
    expect(grouped('Late charge of 1626.48 on INV-02531')).toBe('Late charge of 1,626.48 on INV-02531');
  });

  it('writes annual costs as percentages', () => {
    expect(percent('0.37244898')).toBe('37.24 %');
    expect(percent(null)).toBe('—');
  });

  it('writes days with one decimal and a minus that is one', () => {
    expect(oneDecimal('-5.4123')).toBe('−5.4');
    expect(oneDecimal('-0.04')).toBe('0.0');
    expect(oneDecimal('46.6516')).toBe('46.7');
    expect(oneDecimal(null)).toBe('—');
  });
});
