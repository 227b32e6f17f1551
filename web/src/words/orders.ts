import type { OrderState, OrderStepKind } from '../api/generated';

export const orderStates: Record<OrderState, string> = {
  held: 'Held',
  partHeld: 'Part held',
  awaitingDeposit: 'Awaiting deposit',
  approved: 'Approved',
  invoiced: 'Invoiced',
  declined: 'Declined',
  closed: 'Closed',
};

/** Whether nothing can be decided on an order any more. */
export const isOver: Record<OrderState, boolean> = {
  held: false,
  partHeld: false,
  awaitingDeposit: false,
  approved: false,
  invoiced: true,
  declined: true,
  closed: true,
};

export const stepNames: Record<OrderStepKind, string> = {
  approved: 'Approved',
  held: 'Held',
  released: 'Released',
  declined: 'Declined',
  depositAsked: 'Deposit asked',
  changed: 'Changed',
  invoiced: 'Invoiced',
  invoiceReversed: 'Invoice reversed',
  closed: 'Closed',
};
