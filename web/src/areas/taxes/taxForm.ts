import dayjs, { type Dayjs } from 'dayjs';
import type { TaxCodeRequest, TaxCodeView } from '../../api/generated';
import { iso } from '../../format/dates';

/** What the tax code's form holds while it is typed. */
export interface TaxTyped {
  code: string;
  name: string;
  reason: string;
  freightTaxed: boolean;
  rates: { from: Dayjs | null; percent: string; components: { authority: string; percent: string }[] }[];
}

/** What a new code starts with. */
const fresh: TaxCodeView['rates'] = [
  { from: '2020-01-01', percent: '20', components: [{ authority: '', percent: '20' }] },
];

export const asTyped = (policy: TaxCodeView | undefined): TaxTyped => ({
  code: policy?.code ?? '',
  name: policy?.name ?? '',
  reason: '',
  freightTaxed: policy?.freightTaxed ?? true,
  rates: (policy?.rates ?? fresh).map((r) => ({
    from: dayjs(r.from),
    percent: r.percent ?? '',
    components: (r.components ?? []).map((c) => ({ authority: c.authority ?? '', percent: c.percent ?? '' })),
  })),
});

/** What is sent. A row of which nothing was typed yet is sent empty, so that its fields are named. */
export const asRequest = (v: TaxTyped): TaxCodeRequest => ({
  code: v.code,
  name: v.name || v.code,
  reason: v.reason,
  freightTaxed: v.freightTaxed,
  rates: (v.rates ?? []).map((r) => ({
    from: iso(r?.from ?? null),
    percent: r?.percent ?? '',
    components: (r?.components ?? []).map((c) => ({ authority: c?.authority ?? '', percent: c?.percent ?? '' })),
  })),
});
