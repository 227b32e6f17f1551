export const promiseStates: Record<string, string> = {
  waiting: 'waiting',
  kept: 'kept',
  partKept: 'kept in part',
  broken: 'broken',
  withdrawn: 'withdrawn',
};
