import dayjs, { type Dayjs } from 'dayjs';
import type { ChargeAmountsShape, LateChargePolicyShape, MonthlyRateShape } from '../../api/generated';
import { iso } from '../../format/dates';

/** A choice of the policy that is never left out of the form. */
type Chosen<K extends keyof LateChargePolicyShape> = NonNullable<LateChargePolicyShape[K]>;

/** How a charge grows. */
export const methods: Record<ChargeTyped['grows'], string> = {
  table: 'daily, at rates of our own',
  reference: 'daily, at a reference rate',
  monthly: 'monthly',
};

export const months: Record<NonNullable<MonthlyRateShape['months']>, string> = {
  started: 'each one begun, on what was overdue on its first day',
  full: 'each full one, on what stayed overdue to its end',
};

export const bandsOn: Record<Chosen<'bandsOn'>, string> = {
  item: 'each item',
  account: 'all that the account has overdue',
};

export const countFrom: Record<Chosen<'countFrom'>, string> = {
  dueDate: 'due date',
  endOfWait: 'end of the grace days',
};

export const belowMinimum: Record<Chosen<'belowMinimum'>, string> = {
  raise: 'charge the minimum',
  skip: 'charge nothing',
};

export const whileDisputed: Record<Chosen<'whileDisputed'>, string> = {
  charged: 'charged like any other',
  held: 'not charged for those days',
  heldUntilSettled: 'held, and charged once the customer is found to owe it',
};

/** Amounts that can be given in other currencies too. */
export const labels = {
  minimum: 'Minimum charge per item',
  maximum: 'Maximum charge per item',
  maximumOverLife: 'Maximum over the life of an item',
  maximumPerRun: 'Maximum per account and run',
  exemptBelow: 'Items below this are exempt',
};

/** What the late-charge form holds while it is typed. */
export interface ChargeTyped {
  code: string;
  name: string;
  reason: string;
  label: string;
  grows: 'table' | 'reference' | 'monthly';
  rates: { from?: Dayjs | null; annualRate?: string }[];
  reference: { code: string; margin: string; fixedForLife: boolean; dayBefore: boolean };
  monthly: { percent: string; months: NonNullable<MonthlyRateShape['months']> };
  bands: { above?: string; annualRate?: string }[];
  bandsOn: Chosen<'bandsOn'>;
  compensation: { from?: string; amount?: string }[];
  ceiling: { rate: string; source: string };
  dayCount: string;
  waitDays: number | null;
  countFrom: Chosen<'countFrom'>;
  minimum: string;
  belowMinimum: Chosen<'belowMinimum'>;
  maximum: string;
  maximumPerRun: string;
  maximumOverLife: string;
  exemptBelow: string;
  onCharges: boolean;
  whileDisputed: Chosen<'whileDisputed'>;
  shownOnly: boolean;
  postingAccount: string;
  taxCode: string;
  inOtherCurrencies: ChargeAmountsShape[];
}

const text = (value: string | null | undefined) => value ?? '';

/** The form's values for a policy; for none, those of a new one. */
export const asTyped = (p: LateChargePolicyShape | undefined): Omit<ChargeTyped, 'code' | 'name' | 'reason'> => ({
  label: p?.label ?? 'Late charge',
  grows: p?.method === 'monthly' ? 'monthly' : p?.reference ? 'reference' : 'table',
  rates: (p?.rates?.length ? p.rates : [{ from: '2020-01-01', annualRate: '8' }]).map((r) => ({
    from: dayjs(r.from),
    annualRate: text(r.annualRate),
  })),
  reference: {
    code: text(p?.reference?.code),
    margin: p?.reference?.margin ?? '8',
    fixedForLife: p?.reference?.fixedForLife ?? false,
    dayBefore: p?.reference?.dayBefore ?? false,
  },
  monthly: { percent: p?.monthly?.percent ?? '1.5', months: p?.monthly?.months ?? 'started' },
  bands: (p?.bands ?? []).map((b) => ({ above: text(b.above), annualRate: text(b.annualRate) })),
  bandsOn: p?.bandsOn ?? 'item',
  compensation: (p?.compensation ?? []).map((c) => ({ from: text(c.from), amount: text(c.amount) })),
  ceiling: { rate: text(p?.ceiling?.rate), source: text(p?.ceiling?.source) },
  dayCount: p?.dayCount ?? 'act/365f',
  waitDays: p?.waitDays ?? 0,
  countFrom: p?.countFrom ?? 'dueDate',
  minimum: text(p?.minimum),
  belowMinimum: p?.belowMinimum ?? 'raise',
  maximum: text(p?.maximum),
  maximumPerRun: text(p?.maximumPerRun),
  maximumOverLife: text(p?.maximumOverLife),
  exemptBelow: text(p?.exemptBelow),
  onCharges: p?.onCharges ?? false,
  whileDisputed: p?.whileDisputed ?? 'charged',
  shownOnly: p?.shownOnly ?? false,
  postingAccount: text(p?.postingAccount),
  taxCode: text(p?.taxCode),
  inOtherCurrencies: p?.inOtherCurrencies ?? [],
});

/** Amounts in another currency: only those that the policy has in its own; what is empty is converted. */
const amountsSent = (a: ChargeAmountsShape | undefined, v: ChargeTyped): ChargeAmountsShape => {
  const has = (typed: string | null | undefined, own: string) => (own ? typed || null : null);
  const above = (v.grows === 'monthly' ? [] : (v.bands ?? [])).map((_, i) => a?.bandsAbove?.[i] ?? '');
  const sums = (v.compensation ?? []).map((_, i) => ({
    from: a?.compensation?.[i]?.from || '',
    amount: a?.compensation?.[i]?.amount || '',
  }));
  return {
    currency: a?.currency ?? '',
    minimum: has(a?.minimum, v.minimum),
    maximum: has(a?.maximum, v.maximum),
    maximumPerRun: has(a?.maximumPerRun, v.maximumPerRun),
    maximumOverLife: has(a?.maximumOverLife, v.maximumOverLife),
    exemptBelow: has(a?.exemptBelow, v.exemptBelow),
    bandsAbove: above.some(Boolean) ? above : null,
    compensation: sums.some((s) => s.from || s.amount) ? sums : null,
  };
};

/** The amounts of a policy that can be given in another currency. */
export const amountsOf = (v: ChargeTyped) => [
  ...(v.minimum ? [{ name: ['minimum'], label: labels.minimum }] : []),
  ...(v.maximum ? [{ name: ['maximum'], label: labels.maximum }] : []),
  ...(v.maximumOverLife ? [{ name: ['maximumOverLife'], label: labels.maximumOverLife }] : []),
  ...(v.maximumPerRun ? [{ name: ['maximumPerRun'], label: labels.maximumPerRun }] : []),
  ...(v.exemptBelow ? [{ name: ['exemptBelow'], label: labels.exemptBelow }] : []),
  ...(v.grows === 'monthly' ? [] : (v.bands ?? [])).map((_, i) => ({
    name: ['bandsAbove', i],
    label: `Band ${i + 1}: above`,
  })),
  ...(v.compensation ?? []).flatMap((_, i) => [
    { name: ['compensation', i, 'from'], label: `Fixed amount ${i + 1}: from` },
    { name: ['compensation', i, 'amount'], label: `Fixed amount ${i + 1}` },
  ]),
];

/** What is sent: only the way of growing that was chosen. */
export const asPolicy = (v: ChargeTyped): LateChargePolicyShape => ({
  label: v.label,
  method: v.grows === 'monthly' ? 'monthly' : 'daily',
  monthly: v.grows === 'monthly' ? v.monthly : null,
  reference: v.grows === 'reference' ? v.reference : null,
  rates:
    v.grows === 'table'
      ? (v.rates ?? []).map((r) => ({ from: iso(r?.from ?? null), annualRate: r?.annualRate ?? '' }))
      : [],
  bands:
    v.grows === 'monthly'
      ? []
      : (v.bands ?? []).map((b) => ({ above: b?.above ?? '', annualRate: b?.annualRate ?? '' })),
  bandsOn: v.bandsOn,
  compensation: (v.compensation ?? []).map((c) => ({ from: c?.from ?? '', amount: c?.amount ?? '' })),
  ceiling: v.ceiling?.rate || v.ceiling?.source ? v.ceiling : null,
  dayCount: v.dayCount,
  waitDays: v.waitDays ?? 0,
  countFrom: v.countFrom,
  minimum: v.minimum || null,
  belowMinimum: v.belowMinimum,
  maximum: v.maximum || null,
  maximumPerRun: v.maximumPerRun || null,
  maximumOverLife: v.maximumOverLife || null,
  exemptBelow: v.exemptBelow || null,
  onCharges: v.onCharges,
  whileDisputed: v.whileDisputed,
  shownOnly: v.shownOnly,
  postingAccount: v.postingAccount,
  taxCode: v.taxCode,
  inOtherCurrencies: (v.inOtherCurrencies ?? []).map((a) => amountsSent(a, v)),
});
