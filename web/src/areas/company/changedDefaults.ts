import type { CompanyRequest, CompanyView } from '../../api/generated';

/** A default that was changed, with what it was: customers that still have that may be changed too, if asked. */
export interface FormerDefault {
  field: string;
  title: string;
  was: string;
  now: string;
}

const kept: [keyof CompanyView & keyof CompanyRequest, string, string][] = [
  ['defaultTerms', 'terms', 'Terms'],
  ['defaultLimit', 'limit', 'Limit'],
  ['defaultLateChargePolicy', 'lateChargePolicy', 'Late-charge policy'],
  ['defaultReminderPlan', 'reminderPlan', 'Reminder plan'],
  ['defaultTaxCode', 'taxCode', 'Tax code'],
  ['defaultDelivery', 'delivery', 'Delivery'],
];

/** The defaults for new customers that a change of the settings alters. */
export const changedDefaults = (before: CompanyView, after: CompanyRequest): FormerDefault[] =>
  kept
    .map(([key, field, title]) => ({ field, title, was: String(before[key] ?? ''), now: String(after[key] ?? '') }))
    .filter((d) => (d.field === 'limit' ? Number(d.was) !== Number(d.now) : d.was !== d.now));
