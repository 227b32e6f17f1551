import { describe, expect, it } from 'vitest';
import { choices, coded, plain, plainChoices } from './options';

describe('choices', () => {
  it('offers a closed set in its order', () => {
    expect(choices({ print: 'print', email: 'e-mail' })).toEqual([
      { value: 'print', label: 'print' },
      { value: 'email', label: 'e-mail' },
    ]);
  });

  it('says code and name, and the code once where they are the same', () => {
    expect(coded([{ code: 'STD', name: 'Standard' }, { code: 'N30', name: 'N30' }, { code: 'X' }])).toEqual([
      { value: 'STD', label: 'STD: Standard' },
      { value: 'N30', label: 'N30' },
      { value: 'X', label: 'X' },
    ]);
  });

  it('is empty while the list is read', () => {
    expect(coded(undefined)).toEqual([]);
    expect(plainChoices(undefined)).toEqual([]);
  });
});

describe('an amount as it is sent', () => {
  it.each([
    ['1,234.50', '1234.50'],
    [' 12 ', '12'],
    [undefined, ''],
    [null, ''],
    ['-1,000', '-1000'],
    ['abc', 'abc'],
  ])('%s is sent as %s', (typed, sent) => expect(plain(typed)).toBe(sent));
});
