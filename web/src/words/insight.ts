import type {
  AgeingKind,
  CashCertainty,
  LeakBy,
  LeakKind,
  MailedReport,
  MeasuredPart,
  ReplayKind,
  WhatIfState,
} from '../api/generated';

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
  reason: 'By reason',
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

/** What goes out by itself. */
export const mailedReports: Record<MailedReport, string> = {
  ageing: 'Ageing',
  measures: 'Measures side by side',
  leakage: 'Leakage',
  cashForecast: 'Cash forecast',
  provision: 'Expected credit loss',
  overview: 'Overview of an account',
  statement: 'Statement of an account',
  groupStatement: 'Statement of a group',
  whatIf: 'What if',
};

/** Of which documents a measure is made. */
export const measuredParts: Record<MeasuredPart, string> = {
  receivables: 'Open at the end, as shown',
  notDue: 'Open and not due at the end, as shown',
  sales: 'Invoices and credit notes, as shown',
  paid: 'Payments of invoices, by value',
  discountsUsed: 'Discounts given in time, by deadline',
  chargesRaised: 'Charges and fees raised, as shown',
  chargesPaid: 'Payments of charges and fees, as shown',
  chargesReversed: 'Charges and fees taken back, as shown',
  chargesOpen: 'Charges and fees open at the end, as shown',
};
