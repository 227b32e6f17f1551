import type { PromiseState } from '../api/generated';

export const promiseStates: Record<PromiseState, string> = {
  waiting: 'open',
  kept: 'kept',
  partKept: 'partly kept',
  broken: 'broken',
  withdrawn: 'withdrawn',
  replaced: 'replaced',
  keptLate: 'kept late',
};

/** Whether a promise was not kept, in whole or in part. */
export const wasBroken = (state: PromiseState) => state === 'broken' || state === 'partKept';
