import { describe, expect, it } from 'vitest';
import type { CustomerFieldShape, CustomerShape } from '../../api/generated';
import { asSent, asTyped } from './recordForm';

const fields: CustomerFieldShape[] = [
  { key: 'since', name: 'Customer since', kind: 'date' },
  { key: 'berths', name: 'Berths', kind: 'number' },
  { key: 'route', name: 'Route', kind: 'choice', choices: ['North', 'South'] },
];
const record: CustomerShape = {
  name: 'Harbour Lofts',
  addresses: [{ kind: 'shipTo', name: 'Shed', lines: ['1 Quay', 'Oxbow'] }],
  fields: { since: '2019-04-01', berths: '12', route: 'North' },
  exemption: { reason: 'Sea-going ships', certificate: 'Z 17', until: '2027-01-31' },
};

describe('the record of a customer', () => {
  it('comes back as it was when nothing is typed', () => {
    const { reason, ...typed } = asTyped(record, fields);
    expect(asSent(typed)).toEqual(record);
    expect(reason).toBe('');
  });

  it('shows an address as lines of one text, and sends what was typed line by line', () => {
    const typed = asTyped(record, fields);
    expect(typed.addresses[0].lines).toBe('1 Quay\nOxbow');
    typed.addresses[0].lines = '2 Quay';
    expect(asSent(typed).addresses).toEqual([{ kind: 'shipTo', name: 'Shed', lines: ['2 Quay'] }]);
  });

  it('sends a field that was emptied as empty, so that it is cleared', () => {
    const typed = asTyped(record, fields);
    typed.fields = { since: null, berths: 0, route: '' };
    expect(asSent(typed).fields).toEqual({ since: '', berths: '0', route: '' });
  });

  it('has a place for each field of the company, also where the record has none yet', () => {
    expect(Object.keys(asTyped({ name: 'New' }, fields).fields)).toEqual(['since', 'berths', 'route']);
  });
});
