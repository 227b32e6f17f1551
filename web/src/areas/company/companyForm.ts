import dayjs, { type Dayjs } from 'dayjs';
import type { CompanyRequest, CompanyView } from '../../api/generated';
import { iso } from '../../format/dates';

const lines = (text: unknown) => String(text ?? '').split('\n');

/** The settings as they stand in the form: lists of lines as one text, choices that are never missing. */
export const asTyped = (company: CompanyView) => ({
  ...company,
  address: company.address.join('\n'),
  letterFoot: company.letterFoot.join('\n'),
  ageingUpTo: company.ageingUpTo.join(', '),
  ageBy: company.ageByInvoiceDate ? 'invoice' : 'due',
  closedThrough: company.closedThrough ? dayjs(company.closedThrough) : null,
  calendar: company.calendar ?? '',
  dearDiscount: company.dearDiscount ?? '',
  defaultLateChargePolicy: company.defaultLateChargePolicy ?? '',
  defaultReminderPlan: company.defaultReminderPlan ?? '',
  defaultTaxCode: company.defaultTaxCode ?? '',
  allowances: Object.entries(company.allowanceInOtherCurrencies).map(([currency, amount]) => ({ currency, amount })),
  reason: '',
});

/** What is sent of what the form holds. */
export const asRequest = (v: Record<string, unknown>): CompanyRequest => ({
  ...v,
  address: lines(v.address),
  letterFoot: lines(v.letterFoot),
  ageingUpTo: String(v.ageingUpTo).split(/[ ,]+/).filter(Boolean).map(Number),
  closedThrough: iso(v.closedThrough as Dayjs | null),
  ageByInvoiceDate: v.ageBy === 'invoice',
  allowanceInOtherCurrencies: Object.fromEntries(
    ((v.allowances ?? []) as { currency?: string; amount?: string }[]).map((a) => [a?.currency ?? '', a?.amount ?? '']),
  ),
});

/** The parts of the form. */
export type Part = 'who' | 'customers' | 'books' | 'cash' | 'numbers' | 'runs' | 'messages' | 'changes';

// Which part shows a field, so that what is wrong with it is never out of sight.
const fields: [Part, RegExp][] = [
  ['customers', /^(default|customerFields)/],
  ['books', /^(reviewMonths|requestDays|netWorthShare|costOfCapital|oldestRate|ageing|allowance|calendar)/],
  ['books', /^(dearDiscount|longestPaymentDays)/],
  ['cash', /^(paymentMethods|postingAccounts|controlGroups)/],
  ['numbers', /^numbering/],
  ['runs', /^runSchedules/],
  ['messages', /^messageTexts/],
  ['who', /^(name|address|letterFoot|baseCurrency|rounding|timeZone|closedThrough|mail)/],
];

/** The part that shows a field of the settings; none where no part does. */
export const partOf = (field: string | undefined): Part | undefined =>
  fields.find(([, names]) => field && names.test(field))?.[0];
