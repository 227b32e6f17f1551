import { describe, expect, it } from 'vitest';
import { plain, readAs } from './typedAmount';

describe('an amount as it is typed', () => {
  it.each([
    ['4,20', '4.20'],
    ['4.20', '4.20'],
    ['1,234.50', '1234.50'],
    ['1.234,50', '1234.50'],
    ['1 234,50', '1234.50'],
    ["1'234.50", '1234.50'],
    ['1,234', '1234'],
    ['1,234,567', '1234567'],
    ['1.234.567', '1234567'],
    ['1.234', '1.234'],
    ['12,5', '12.5'],
    [',50', '0.50'],
    ['-4,20', '-4.20'],
    ['420', '420'],
    ['', ''],
    // What is no amount is left for the server to name.
    ['1,23,456', '1,23,456'],
    ['1.23,45.6', '1.23,45.6'],
    ['abc', 'abc'],
  ])('%s is %s', (typed, sent) => {
    expect(plain(typed)).toBe(sent);
  });

  it('is read back where it stands otherwise', () => {
    expect(readAs('4,20')).toBe('4.20');
    expect(readAs('1.234,50')).toBe('1,234.50');
    expect(readAs('1,234.50')).toBeNull();
    expect(readAs('1.000')).toBe('1.000? or 1,000');
    expect(readAs('420.00')).toBeNull();
    expect(readAs('abc')).toBeNull();
  });
});
