import type { ReminderFeeShape, ReminderLevelShape, ReminderPlanRequest, ReminderPlanView } from '../../api/generated';

/** How a fee is worked out. */
export const feeBases: Record<NonNullable<ReminderFeeShape['basis']>, string> = {
  '': 'none',
  perLetter: 'an amount per letter',
  perItem: 'an amount per item',
  percent: 'a percentage of the overdue amount',
  byBand: 'by overdue amount',
};

/** What the reminder-plan form holds while it is typed: choices are never missing. */
export const newLevel: ReminderLevelShape = {
  daysAfterDue: 7,
  daysSincePrevious: 0,
  daysToPay: 7,
  leastOverdue: '10.00',
  fee: { basis: '', amount: '', rate: '', bands: [] },
  addEarlierFees: false,
  mostFee: '',
  feeTreatment: 'post',
  lateCharge: 'none',
  delivery: '',
  setsState: '',
  askColleague: '',
  handToCollection: false,
  feeOnCharges: false,
  inOtherCurrencies: [],
  texts: [
    {
      language: '',
      subject: 'A reminder of what is due',
      opening: 'Dear Sir or Madam,\nour books show the following as due and not yet paid.',
      closing: '{{ company }}, Credit control',
    },
  ],
};

const levelTyped = (l: ReminderLevelShape): ReminderLevelShape => ({
  ...l,
  fee: { basis: l.fee?.basis ?? '', amount: l.fee?.amount ?? '', rate: l.fee?.rate ?? '', bands: l.fee?.bands ?? [] },
  feeTreatment: l.feeTreatment === 'none' ? 'post' : l.feeTreatment,
  mostFee: l.mostFee ?? '',
  delivery: l.delivery ?? '',
  setsState: l.setsState ?? '',
  askColleague: l.askColleague ?? '',
  feeOnCharges: l.feeOnCharges ?? false,
  inOtherCurrencies: l.inOtherCurrencies ?? [],
});

export const asTyped = (plan: ReminderPlanView | undefined): ReminderPlanRequest => ({
  code: plan?.code ?? '',
  name: plan?.name ?? '',
  reason: '',
  mostReminders: plan?.mostReminders ?? null,
  allowJumps: plan?.allowJumps ?? false,
  letterPerLevel: plan?.letterPerLevel ?? false,
  levels: (plan?.levels ?? [newLevel]).map(levelTyped),
});

/** Only what belongs to the chosen basis is sent; a level without a fee has no treatment of one. */
const levelSent = (l: ReminderLevelShape): ReminderLevelShape => {
  const basis = l.fee?.basis ?? '';
  const charged = basis !== '' || l.addEarlierFees === true;
  return {
    ...l,
    inOtherCurrencies: (l.inOtherCurrencies ?? []).map((a) => ({
      currency: a?.currency ?? '',
      leastOverdue: a?.leastOverdue || null,
      mostFee: (charged && l.mostFee && a?.mostFee) || null,
      fee:
        (basis === 'perLetter' || basis === 'perItem') && a?.fee?.amount
          ? { basis, amount: a.fee.amount }
          : basis === 'byBand' && a?.fee?.basis === 'byBand'
            ? a.fee
            : null,
    })),
    fee: basis
      ? {
          basis,
          amount: basis === 'perLetter' || basis === 'perItem' ? l.fee?.amount : null,
          rate: basis === 'percent' ? l.fee?.rate : null,
          bands: basis === 'byBand' ? l.fee?.bands : null,
        }
      : null,
    feeTreatment: basis ? l.feeTreatment : 'none',
    mostFee: charged ? l.mostFee || null : null,
  };
};

export const asRequest = (v: ReminderPlanRequest): ReminderPlanRequest => ({
  ...v,
  levels: (v.levels ?? []).map(levelSent),
});
