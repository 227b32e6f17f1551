export const orderStates: Record<string, string> = {
  held: 'Held',
  partHeld: 'Part held',
  awaitingDeposit: 'Awaiting deposit',
  approved: 'Approved',
  invoiced: 'Invoiced',
  declined: 'Declined',
  closed: 'Closed',
};

export const stepNames: Record<string, string> = {
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

export const plain = (amount: string | undefined) => (amount ?? '').replaceAll(',', '').trim();
