import type { MeasuresView } from '../../api/generated';
import { money, percent } from '../../format/money';

/** A measure as the page tells it. */
export interface Measure {
  key: string;
  name: string;
  /** Its figure, as it is read and as it is drawn; null where there is none. */
  text: (m: MeasuresView) => string;
  value: (m: MeasuresView) => string | null;
  unit: 'days' | 'percent' | 'share' | 'amount';
  /** Whether it stands among those of owners side by side. */
  compared?: boolean;
}

const days = (of: string | null) => (of === null ? '—' : Number(of).toFixed(1));

const measure = (
  key: string,
  name: string,
  unit: Measure['unit'],
  value: Measure['value'],
  compared?: boolean,
): Measure => ({
  key,
  name,
  unit,
  value,
  compared,
  text: (m) => {
    const of = value(m);
    if (of === null) return '—';
    if (unit === 'days') return days(of);
    if (unit === 'percent') return `${Number(of).toFixed(1)} %`;
    return unit === 'share' ? percent(of) : money(of);
  },
});

/** In the order of the page: what is out, how it is collected, how it is paid, discounts, charges. */
export const measures: Measure[] = [
  measure('receivables', 'Receivables', 'amount', (m) => m.receivablesEnd, true),
  measure('sales', 'Sales of the period', 'amount', (m) => m.sales, true),
  measure('dso', 'Days sales outstanding', 'days', (m) => m.dso, true),
  measure('countBack', 'Count-back', 'days', (m) => m.dsoCountBack),
  measure('best', 'Best possible', 'days', (m) => m.dsoBestPossible),
  measure('delinquent', 'Average days delinquent', 'days', (m) => m.averageDaysDelinquent),
  measure('collection', 'Collection effectiveness', 'percent', (m) => m.collectionEffectiveness, true),
  measure('toPay', 'Days to pay', 'days', (m) => m.daysToPay, true),
  measure('late', 'Days late', 'days', (m) => m.daysLate, true),
  measure('uptake', 'Discount uptake', 'share', (m) => m.discountUptake, true),
  measure('used', 'Discounts used', 'amount', (m) => m.discountUsed, true),
  measure('annual', 'Their cost a year', 'share', (m) => m.discountAnnualCost, true),
  measure('allowedLate', 'Discounts allowed late', 'amount', (m) => m.leakage.allowedLate),
  measure('writtenOff', 'Late and written off', 'amount', (m) => m.leakage.writtenOff),
  measure('notGranted', 'Earned, not granted', 'amount', (m) => m.leakage.notGranted),
  measure('raised', 'Charges and fees raised', 'amount', (m) => m.chargesRaised),
  measure('chargesPaid', 'Charges and fees paid', 'amount', (m) => m.chargesPaid),
  measure('reversed', 'Charges and fees reversed', 'amount', (m) => m.chargesReversed),
  measure('chargesOpen', 'Charges and fees open', 'amount', (m) => m.chargesOpen),
];
