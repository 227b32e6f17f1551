import { describe, expect, it } from 'vitest';
import { keyNames } from '../../shell/keyNames';
import { actions } from './actions';

const keysOf = (place: string) =>
  keyNames.find(([name]) => name === place)?.[1].flatMap(([keys]) => keys.split(' ')) ?? [];
const everywhere = keysOf('Everywhere');

describe('the keys', () => {
  it('do one thing in one place', () => {
    for (const [place] of keyNames) expect(new Set(keysOf(place)).size, place).toBe(keysOf(place).length);
  });

  it('that work everywhere do nothing else anywhere', () => {
    expect(everywhere).toContain('N');
    for (const [place] of keyNames.slice(1))
      expect(
        keysOf(place).filter((key) => everywhere.includes(key)),
        place,
      ).toEqual([]);
  });

  it('on the buttons of an account are those of the list', () => {
    for (const { key } of actions) expect(keysOf('An account')).toContain(key);
  });
});
