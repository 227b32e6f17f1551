import { describe, expect, it } from 'vitest';
import type { LateChargePolicyShape } from '../../api/generated';
import { amountsOf, asPolicy, asTyped, type ChargeTyped } from './chargeForm';

const form = (policy?: LateChargePolicyShape): ChargeTyped => ({
  code: 'STD',
  name: 'Standard',
  reason: '',
  ...asTyped(policy),
});

describe('a late-charge policy as it is typed and sent', () => {
  it('comes back as it was when nothing is typed', () => {
    const policy: LateChargePolicyShape = {
      label: 'Interest',
      method: 'daily',
      monthly: null,
      reference: null,
      rates: [{ from: '2024-01-01', annualRate: '8.5' }],
      bands: [{ above: '5000.00', annualRate: '10' }],
      bandsOn: 'account',
      compensation: [{ from: '0.00', amount: '40.00' }],
      ceiling: { rate: '12', source: 'the Sample Act' },
      dayCount: 'act/360',
      waitDays: 15,
      countFrom: 'endOfWait',
      minimum: '0.50',
      belowMinimum: 'skip',
      maximum: '250.00',
      maximumPerRun: '500.00',
      maximumOverLife: '900.00',
      exemptBelow: '10.00',
      onCharges: true,
      shownOnly: true,
      whileDisputed: 'held',
      postingAccount: '4900',
      taxCode: 'STD',
      inOtherCurrencies: [],
    };
    expect(asPolicy(form(policy))).toEqual(policy);
  });

  it('sends only the way of growing that was chosen', () => {
    const typed = form();
    expect(asPolicy({ ...typed, grows: 'monthly' })).toMatchObject({ method: 'monthly', rates: [], bands: [] });
    expect(asPolicy({ ...typed, grows: 'reference' })).toMatchObject({ method: 'daily', monthly: null, rates: [] });
    expect(asPolicy({ ...typed, grows: 'table' })).toMatchObject({ method: 'daily', monthly: null, reference: null });
  });

  it('has no ceiling until a rate or its source is typed', () => {
    expect(asPolicy(form()).ceiling).toBeNull();
    expect(asPolicy({ ...form(), ceiling: { rate: '', source: 'the Sample Act' } }).ceiling).not.toBeNull();
  });

  it('offers amounts in other currencies for what the policy has in its own, band by band', () => {
    expect(amountsOf(form())).toEqual([]);
    const names = amountsOf({ ...form(), maximum: '9', bands: [{ above: '1' }, { above: '2' }] }).map((a) => a.name);
    expect(names).toEqual([['maximum'], ['bandsAbove', 0], ['bandsAbove', 1]]);
  });

  it('sends nothing in another currency for what the policy no longer has', () => {
    const typed = { ...form(), minimum: '1', inOtherCurrencies: [{ currency: 'EUR', minimum: '2', maximum: '3' }] };
    expect(asPolicy(typed).inOtherCurrencies).toEqual([
      expect.objectContaining({ currency: 'EUR', minimum: '2', maximum: null, bandsAbove: null, compensation: null }),
    ]);
  });
});
