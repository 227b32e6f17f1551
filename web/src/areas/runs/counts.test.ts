import { expect, test } from 'vitest';
import type { RunLineState } from '../../api/generated';
import { accountsIn, isAtWork, listsOf, progress } from './counts';

const counts = (...of: [RunLineState, number][]) =>
  of.map(([state, accounts]) => ({ state, accounts, currency: 'GBP', amount: '0.00' }));

test('accounts are counted over all currencies', () => {
  const run = { counts: [...counts(['ready', 3]), { state: 'ready', accounts: 2, currency: 'EUR', amount: '1.00' }] };
  expect(accountsIn(run as never, 'ready')).toBe(5);
  expect(accountsIn(run as never, 'posted')).toBe(0);
});

test('what could not be posted counts as gone through, what is left out does not count', () => {
  expect(
    progress({ state: 'posting', counts: counts(['ready', 6], ['posted', 3], ['failed', 1], ['leftOut', 90]) }),
  ).toBe(40);
  expect(progress({ state: 'posting', counts: [] })).toBe(100);
});

test('taking back goes by what was taken back', () => {
  expect(progress({ state: 'reversing', counts: counts(['posted', 3], ['reversed', 1]) })).toBe(25);
});

test('left out is a list of the same rank, whatever is in it', () => {
  expect(listsOf({ state: 'proposed', counts: [] })).toEqual(['ready', 'leftOut']);
  expect(listsOf({ state: 'posted', counts: counts(['posted', 1], ['failed', 2]) })).toEqual([
    'failed',
    'posted',
    'leftOut',
  ]);
});

test('only what goes on in the background is at work', () => {
  expect(isAtWork('posting')).toBe(true);
  expect(isAtWork('stopped')).toBe(false);
});
