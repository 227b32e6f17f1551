import { describe, expect, it } from 'vitest';
import { promiseStates, wasBroken } from './promises';
import { todayActions, todayKinds } from './today';

describe('the words of the interface', () => {
  it('says which promises were broken', () => {
    expect(Object.keys(promiseStates).filter((s) => wasBroken(s as keyof typeof promiseStates))).toEqual([
      'partKept',
      'broken',
    ]);
  });

  it('has an action for each reason in Today', () => {
    expect(Object.keys(todayActions)).toEqual(Object.keys(todayKinds));
  });
});
