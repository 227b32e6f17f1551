import type { AgeingKind, CashCertainty, LeakBy, LeakKind, ReplayKind, WhatIfState } from '../api/generated';

/** By what accounts are added up. */
export const ageingKinds: Record<AgeingKind, string> = {
  account: 'Account',
  group: 'Group',
  owner: 'Owner',
  controlGroup: 'Control group',
  customerType: 'Customer type',
  terms: 'Terms',
  currency: 'Currency',
  field: 'Own field',
};

/** How it leaked. */
export const leakKinds: Record<LeakKind, string> = {
  allowedLate: 'Allowed late',
  writtenOff: 'Late and written off',
  notGranted: 'Not granted',
  chargeWaived: 'Charge waived',
  chargeReversed: 'Charge reversed',
};

/** By what cases are added up. */
export const leakBys: Record<LeakBy, string> = {
  account: 'By customer',
  owner: 'By owner',
  terms: 'By terms',
  month: 'By month',
  kind: 'By kind',
};

/** How sure it is that money comes. */
export const certainties: Record<CashCertainty, string> = {
  promised: 'promised',
  usual: 'as usual',
  late: 'late',
  disputed: 'in dispute',
  handedOver: 'handed over',
};

/** What a line of a replay is about. */
export const replayKinds: Record<ReplayKind, string> = {
  discount: 'Discount',
  lateCharge: 'Late charge',
  reminderFee: 'Reminder',
  orderHeld: 'Order held',
  cashInterest: 'Interest on cash',
};

/** How far a what-if has come. */
export const whatIfStates: Record<WhatIfState, string> = {
  atWork: 'being worked out',
  done: 'worked out',
  stopped: 'stopped',
  failed: 'could not be worked out',
};
