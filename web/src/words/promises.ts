import type { PromiseState } from '../api/generated';

export const promiseStates: Record<PromiseState, string> = {
  waiting: 'waiting',
  kept: 'kept',
  partKept: 'part kept',
  broken: 'broken',
  withdrawn: 'withdrawn',
};

/** Whether a promise was not kept, in whole or in part. */
export const wasBroken = (state: PromiseState) => state === 'broken' || state === 'partKept';
