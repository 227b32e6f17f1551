import { describe, expect, it } from 'vitest';
import type { CompanyView } from '../../api/generated';
import { asRequest, asTyped, partOf } from './companyForm';

const company = {
  name: 'Saltmarsh',
  address: ['1 Quay', 'Oxbow'],
  letterFoot: [],
  ageingUpTo: [30, 60, 90],
  ageByInvoiceDate: true,
  closedThrough: '2025-12-31',
  calendar: null,
  allowanceInOtherCurrencies: { EUR: '5.00' },
} as unknown as CompanyView;

describe('the company’s settings as they are typed and sent', () => {
  it('come back as they were when nothing is typed', () => {
    expect(asRequest(asTyped(company) as unknown as Record<string, unknown>)).toMatchObject({
      name: 'Saltmarsh',
      address: ['1 Quay', 'Oxbow'],
      letterFoot: [''],
      ageingUpTo: [30, 60, 90],
      ageByInvoiceDate: true,
      closedThrough: '2025-12-31',
      calendar: '',
      allowanceInOtherCurrencies: { EUR: '5.00' },
    });
  });

  it('reads buckets however they are parted, and sends what is no number so that it is named', () => {
    const typed = { ...asTyped(company), ageingUpTo: '7,14  30' } as unknown as Record<string, unknown>;
    expect(asRequest(typed).ageingUpTo).toEqual([7, 14, 30]);
    expect(asRequest({ ...typed, ageingUpTo: 'a, 30' }).ageingUpTo).toEqual([NaN, 30]);
  });

  it.each([
    ['defaultTerms', 'customers'],
    ['customerFields[2].key', 'customers'],
    ['ageingUpTo', 'books'],
    ['allowanceInOtherCurrencies.EUR', 'books'],
    ['postingAccounts.bank', 'cash'],
    ['numbering.invoice.prefix', 'numbers'],
    ['address', 'who'],
    ['somethingElse', undefined],
    [undefined, undefined],
  ])('%s is shown in part %s', (field, part) => expect(partOf(field)).toBe(part));
});
