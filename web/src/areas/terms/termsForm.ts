import type { DueShape, TermsConditionsShape, TermsShape } from '../../api/generated';

export const bases: Record<NonNullable<TermsConditionsShape['base']>, string> = {
  gross: 'amount with tax',
  net: 'amount before tax',
};

export const businessDays: Record<NonNullable<TermsConditionsShape['businessDays']>, string> = {
  keep: 'stays',
  next: 'moves to the next',
  previous: 'moves to the previous',
};

/** From what a date is counted. */
export const anchors: Record<NonNullable<DueShape['anchor']>, string> = {
  invoiceDate: 'after the invoice',
  monthEnd: 'after the month’s end',
  dayOfNextMonth: 'on a day of next month',
};

export const afterInvoice = (days: number): DueShape => ({ anchor: 'invoiceDate', months: 0, days });

/** What new terms start from. */
export const fresh: { text: string; rows: TermsShape } = {
  text: '2/10 n/30',
  rows: {
    instalments: [{ remainder: true, due: afterInvoice(30) }],
    discounts: [{ percent: '2', deadline: afterInvoice(10) }],
    text: null,
  },
};

export const usual: TermsConditionsShape = {
  base: 'gross',
  graceDays: 0,
  businessDays: 'keep',
  partPayments: false,
  creditNotesFollow: true,
};
