import { describe, expect, it } from 'vitest';
import type { ReminderLevelShape } from '../../api/generated';
import { asRequest, asTyped, newLevel } from './reminderForm';

const sent = (level: Partial<ReminderLevelShape>) =>
  asRequest({ ...asTyped(undefined), levels: [{ ...newLevel, ...level }] }).levels![0];

describe('a reminder plan as it is typed and sent', () => {
  it('starts with one level and no fee', () => {
    const level = asRequest(asTyped(undefined)).levels![0];
    expect(level).toMatchObject({ daysAfterDue: 7, daysToPay: 7, fee: null, feeTreatment: 'none', mostFee: null });
  });

  it.each([
    ['perLetter', { basis: 'perLetter', amount: '12.00', rate: null, bands: null }],
    ['perItem', { basis: 'perItem', amount: '12.00', rate: null, bands: null }],
    ['percent', { basis: 'percent', amount: null, rate: '2', bands: null }],
    ['byBand', { basis: 'byBand', amount: null, rate: null, bands: [{ from: '100', amount: '5' }] }],
  ] as const)('sends what belongs to a fee %s and nothing else', (basis, fee) => {
    const typed = { basis, amount: '12.00', rate: '2', bands: [{ from: '100', amount: '5' }] };
    expect(sent({ fee: typed, feeTreatment: 'show', mostFee: '50' })).toMatchObject({
      fee,
      feeTreatment: 'show',
      mostFee: '50',
    });
  });

  it('keeps a maximum only where there is a fee to hold to it', () => {
    expect(sent({ fee: { basis: '' }, mostFee: '50' }).mostFee).toBeNull();
    expect(sent({ fee: { basis: '' }, mostFee: '50', addEarlierFees: true }).mostFee).toBe('50');
  });

  it('sends amounts of another currency only where the level has them in its own', () => {
    const level = sent({
      fee: { basis: 'perLetter', amount: '12.00' },
      inOtherCurrencies: [{ currency: 'EUR', leastOverdue: '', mostFee: '60', fee: { basis: '', amount: '15' } }],
    });
    expect(level.inOtherCurrencies).toEqual([
      { currency: 'EUR', leastOverdue: null, mostFee: null, fee: { basis: 'perLetter', amount: '15' } },
    ]);
  });

  it('has a choice for everything it shows', () => {
    const typed = asTyped({ levels: [{ daysAfterDue: 1, feeTreatment: 'none' }] } as never).levels![0];
    expect(typed).toMatchObject({ delivery: '', setsState: '', feeTreatment: 'post', fee: { basis: '' } });
  });
});
