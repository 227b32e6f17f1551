import { expect, it } from 'vitest';
import { nextNumber } from './nextNumber';

it.each([
  [{ prefix: 'INV-', digits: 5, next: 42 }, 'INV-00042'],
  [{ prefix: 'R', digits: 2, next: 12345 }, 'R12345'],
  [{ prefix: null, digits: null, next: null }, '00001'],
  [undefined, ''],
])('%o is numbered %s', (series, number) => expect(nextNumber(series)).toBe(number));
