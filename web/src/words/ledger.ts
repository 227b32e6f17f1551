import type { StatementLineKind, ItemKind, PostingKind, PostingPurpose } from '../api/generated';

/** What a line of a statement of account is. */
export const statementLines: Record<StatementLineKind, string> = {
  invoice: 'Invoice',
  creditNote: 'Credit note',
  receipt: 'Payment',
  lateCharge: 'Late charge',
  reminderFee: 'Reminder fee',
  refund: 'Paid back',
  bankFee: 'Bank fee',
  discount: 'Discount',
  writeOff: 'Written off',
  reversal: 'Taken back',
  moved: 'Moved',
};

/** Kinds of posting. */
export const kindNames: Record<PostingKind, string> = {
  opening: 'Opening item',
  invoice: 'Invoice',
  creditNote: 'Credit note',
  receipt: 'Receipt',
  lateCharge: 'Late charge',
  reminderFee: 'Reminder fee',
  reversal: 'Reversal',
  allocation: 'Set-off',
  correction: 'Correction',
  writeOff: 'Write-off',
  refund: 'Refund',
  clearing: 'Settled by the bank',
  bankFee: 'Bank fee',
  move: 'Receipt moved',
  amendment: 'Amendment',
};

/** What an item is where it is not an invoice. */
export const itemKinds: Record<ItemKind, string> = {
  invoice: '',
  creditNote: 'credit note',
  receipt: 'on account',
  lateCharge: 'late charge',
  reminderFee: 'reminder fee',
  refund: 'refund',
  bankFee: 'bank fee',
};

/** Purposes of posting accounts. */
export const purposeNames: Record<PostingPurpose, string> = {
  receivables: 'Receivables',
  cashOnAccount: 'Cash on account',
  bank: 'Bank',
  sales: 'Sales',
  outputTax: 'Output tax',
  discountsAllowed: 'Discounts allowed',
  smallDifferences: 'Small differences',
  lateChargeIncome: 'Late-charge income',
  feeIncome: 'Fee income',
  openingBalances: 'Opening balances',
  unassignedReceipts: 'Unassigned receipts',
  badDebts: 'Bad debts',
  refundsInTransit: 'Refunds in transit',
};
