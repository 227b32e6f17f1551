/** Kinds of posting in the trade's words. */
export const kindNames: Record<string, string> = {
  opening: 'Opening item',
  invoice: 'Invoice',
  creditNote: 'Credit note',
  receipt: 'Receipt',
  lateCharge: 'Late charge',
  reminderFee: 'Reminder fee',
  reversal: 'Reversal',
  allocation: 'Set-off',
};

/** Purposes of posting accounts in the trade's words. */
export const purposeNames: Record<string, string> = {
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
};
