import { describe, expect, it } from 'vitest';
import { stepped } from './useListKeys';

describe('a step in a list', () => {
  it.each([
    [0, 1, 3, 1],
    [2, 1, 3, 2],
    [0, -1, 3, 0],
    [5, 0, 3, 2],
    [0, 0, 0, 0],
    [4, -1, 0, 0],
  ])('from %i by %i in a list of %i leads to %i', (at, by, count, to) => expect(stepped(at, by, count)).toBe(to));
});
