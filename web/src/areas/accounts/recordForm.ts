import dayjs, { type Dayjs } from 'dayjs';
import type { AddressShape, CustomerFieldShape, CustomerShape } from '../../api/generated';
import { iso } from '../../format/dates';

/** What the record's form holds while it is typed: addresses as one text, the company's own fields by their kind. */
export type RecordTyped = Omit<CustomerShape, 'addresses' | 'fields' | 'exemption'> & {
  exemption: { reason: string; certificate: string; until: Dayjs | null };
  addresses: { kind: AddressShape['kind']; name: string; lines: string }[];
  fields: Record<string, string | number | Dayjs | null>;
  reason: string;
};

export const asTyped = (c: CustomerShape, fields: CustomerFieldShape[]): RecordTyped => ({
  ...c,
  exemption: {
    reason: c.exemption?.reason ?? '',
    certificate: c.exemption?.certificate ?? '',
    until: c.exemption?.until ? dayjs(c.exemption.until) : null,
  },
  addresses: (c.addresses ?? []).map((a) => ({
    kind: a.kind ?? 'billTo',
    name: a.name ?? '',
    lines: (a.lines ?? []).join('\n'),
  })),
  fields: Object.fromEntries(
    fields.map((f) => {
      const value = c.fields?.[f.key ?? ''] ?? '';
      return [f.key ?? '', f.kind === 'date' ? (value ? dayjs(value) : null) : value];
    }),
  ),
  reason: '',
});

export const asSent = ({ addresses, fields, exemption, ...c }: Omit<RecordTyped, 'reason'>): CustomerShape => ({
  ...c,
  exemption: { ...exemption, until: exemption.until ? iso(exemption.until) : '' },
  addresses: addresses.map((a) => ({ ...a, lines: (a.lines ?? '').split('\n') })),
  fields: Object.fromEntries(
    Object.entries(fields).map(([key, value]) => [key, dayjs.isDayjs(value) ? iso(value) : String(value ?? '')]),
  ),
});
