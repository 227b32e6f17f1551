import type { TodayKind, TodayWorkKind } from '../api/generated';

/** Why an account stands in Today. */
export const todayKinds: Record<TodayKind, string> = {
  heldOrder: 'Held order',
  approval: 'Approval',
  overLimit: 'Over limit',
  promiseBroken: 'Broken promise',
  promiseDue: 'Promised today',
  reviewLapsed: 'Review lapsed',
  willPass: 'Will pass limit',
  discountEnds: 'Discount ends',
  callAgain: 'Call again',
};

/** Work beside the accounts, before how many it is about. */
export const todayWork: Record<TodayWorkKind, string> = {
  runReady: 'Run to post',
  runStopped: 'Run stopped',
  messagesFailed: 'Not sent',
  receiptsUnassigned: 'Unassigned',
  scheduleCaughtUp: 'Schedule caught up',
  scheduleWaits: 'Schedule waits',
};

/** The action that each reason asks for. */
export const todayActions: Record<TodayKind, string> = {
  heldOrder: 'Decide',
  approval: 'Approve',
  overLimit: 'Open',
  promiseBroken: 'Open',
  promiseDue: 'Open',
  reviewLapsed: 'Review',
  willPass: 'Open',
  discountEnds: 'Open',
  callAgain: 'Open',
};
