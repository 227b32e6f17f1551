import type { LeakKind, MeasuredPart, MeasuresView } from '../../api/generated';
import { money, oneDecimal, percent } from '../../format/money';

/** A measure as the page tells it. */
export interface Measure {
  key: string;
  name: string;
  /** Its figure, as it is read and as it is drawn; null where there is none. */
  text: (m: MeasuresView) => string;
  value: (m: MeasuresView) => string | null;
  unit: 'days' | 'percent' | 'share' | 'amount';
  /** Of which documents it is made, or which cases of leakage it adds up. */
  made: { part: MeasuredPart } | { leak: LeakKind };
  /** Whether it stands among those of owners side by side. */
  compared?: boolean;
}

const leaks: Partial<Record<string, LeakKind>> = {
  allowedLate: 'allowedLate',
  writtenOff: 'writtenOff',
  notGranted: 'notGranted',
};

const measure = (
  key: string,
  name: string,
  unit: Measure['unit'],
  made: MeasuredPart | LeakKind,
  value: Measure['value'],
  compared?: boolean,
): Measure => ({
  key,
  name,
  unit,
  made: made in leaks ? { leak: made as LeakKind } : { part: made as MeasuredPart },
  value,
  compared,
  text: (m) => {
    const of = value(m);
    if (of === null) return '—';
    if (unit === 'days') return oneDecimal(of);
    if (unit === 'percent') return `${oneDecimal(of)} %`;
    return unit === 'share' ? percent(of) : money(of);
  },
});

/** In the order of the page: what is out, how it is collected, how it is paid, discounts, charges. */
export const measures: Measure[] = [
  measure('receivables', 'Receivables', 'amount', 'receivables', (m) => m.receivablesEnd, true),
  measure('sales', 'Sales of the period', 'amount', 'sales', (m) => m.sales, true),
  measure('dso', 'Days sales outstanding', 'days', 'receivables', (m) => m.dso, true),
  measure('countBack', 'Count-back', 'days', 'receivables', (m) => m.dsoCountBack),
  measure('best', 'Best possible', 'days', 'notDue', (m) => m.dsoBestPossible),
  measure('delinquent', 'Average days delinquent', 'days', 'receivables', (m) => m.averageDaysDelinquent),
  measure('collection', 'Collection effectiveness', 'percent', 'receivables', (m) => m.collectionEffectiveness, true),
  measure('toPay', 'Days to pay', 'days', 'paid', (m) => m.daysToPay, true),
  measure('late', 'Days late', 'days', 'paid', (m) => m.daysLate, true),
  measure('uptake', 'Discount uptake', 'share', 'discountsUsed', (m) => m.discountUptake, true),
  measure('used', 'Discounts used', 'amount', 'discountsUsed', (m) => m.discountUsed, true),
  measure('annual', 'Their cost a year', 'share', 'discountsUsed', (m) => m.discountAnnualCost, true),
  measure('allowedLate', 'Discounts allowed late', 'amount', 'allowedLate', (m) => m.leakage.allowedLate),
  measure('writtenOff', 'Late and written off', 'amount', 'writtenOff', (m) => m.leakage.writtenOff),
  measure('notGranted', 'Earned, not granted', 'amount', 'notGranted', (m) => m.leakage.notGranted),
  measure('raised', 'Charges and fees raised', 'amount', 'chargesRaised', (m) => m.chargesRaised),
  measure('chargesPaid', 'Charges and fees paid', 'amount', 'chargesPaid', (m) => m.chargesPaid),
  measure('reversed', 'Charges and fees reversed', 'amount', 'chargesReversed', (m) => m.chargesReversed),
  measure('chargesOpen', 'Charges and fees open', 'amount', 'chargesOpen', (m) => m.chargesOpen),
];
