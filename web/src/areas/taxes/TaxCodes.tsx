import { useQuery } from '@tanstack/react-query';
import { Alert, Button, Checkbox, DatePicker, Form, Input } from 'antd';
import dayjs, { type Dayjs } from 'dayjs';
import { useState } from 'react';
import { addTaxCode, changeTaxCode, tryOutTaxCode, type TaxCodeRequest, type TaxCodeView } from '../../api/generated';
import { answer, asProblem } from '../../api/problem';
import { useCompany, useTaxCodes } from '../../api/queries';
import { iso } from '../../format/dates';
import { money } from '../../format/money';
import { PolicyForm } from './PolicyForm';
import { PolicyPage } from './PolicyPage';
import { usePolicySave } from './usePolicySave';

interface Typed {
  code: string;
  name: string;
  reason: string;
  freightTaxed: boolean;
  rates: { from: Dayjs | null; percent: string; components: { authority: string; percent: string }[] }[];
}

const asRequest = (v: Typed): TaxCodeRequest => ({
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

export function TaxCodes() {
  const { data } = useTaxCodes();
  return (
    <PolicyPage entries={data} kind="tax-codes" what="tax code" many="tax codes">
      {(policy, onSaved) => <TaxForm policy={policy} onSaved={onSaved} />}
    </PolicyPage>
  );
}

function TaxForm({ policy, onSaved }: { policy?: TaxCodeView; onSaved: (code: string) => void }) {
  const [form] = Form.useForm<Typed>();
  const initial: Typed = {
    code: policy?.code ?? '',
    name: policy?.name ?? '',
    reason: '',
    freightTaxed: policy?.freightTaxed ?? true,
    rates: (
      policy?.rates ?? [{ from: '2020-01-01', percent: '20', components: [{ authority: '', percent: '20' }] }]
    ).map((r) => ({
      from: dayjs(r.from),
      percent: r.percent ?? '',
      components: (r.components ?? []).map((c) => ({ authority: c.authority ?? '', percent: c.percent ?? '' })),
    })),
  };
  const values = (Form.useWatch([], form) as Typed | undefined) ?? initial;
  const saving = usePolicySave(form, policy, onSaved, (version) => {
    const body = asRequest(form.getFieldsValue(true) as Typed);
    return answer(version ? changeTaxCode({ ...version, body }) : addTaxCode({ body }));
  });
  return (
    <>
      <PolicyForm form={form} policy={policy} initial={initial} what="tax code" kind="tax-codes" saving={saving}>
        <Form.List name="rates">
          {(rates, { add, remove }) => (
            <>
              {rates.map((rate) => (
                <fieldset key={rate.key} className="rate">
                  <legend>Rate {rate.name + 1}</legend>
                  <div className="tax-row">
                    <Form.Item name={[rate.name, 'from']} label="From" style={{ marginBottom: 4 }}>
                      <DatePicker format="D MMM YYYY" style={{ width: '100%' }} />
                    </Form.Item>
                    <Form.Item name={[rate.name, 'percent']} label="Together" style={{ marginBottom: 4 }}>
                      <Input className="figure" suffix="%" />
                    </Form.Item>
                    <Button type="text" aria-label={`Take out rate ${rate.name + 1}`} onClick={() => remove(rate.name)}>
                      ×
                    </Button>
                  </div>
                  <Form.List name={[rate.name, 'components']}>
                    {(parts, list) => (
                      <>
                        {parts.map((part) => (
                          <div key={part.key} className="tax-row">
                            <Form.Item name={[part.name, 'authority']} style={{ marginBottom: 4 }}>
                              <Input
                                aria-label={`Rate ${rate.name + 1}, authority ${part.name + 1}`}
                                placeholder="authority"
                                autoComplete="off"
                              />
                            </Form.Item>
                            <Form.Item name={[part.name, 'percent']} style={{ marginBottom: 4 }}>
                              <Input
                                aria-label={`Rate ${rate.name + 1}, part ${part.name + 1}`}
                                className="figure"
                                suffix="%"
                              />
                            </Form.Item>
                            <Button
                              type="text"
                              aria-label={`Take out part ${part.name + 1} of rate ${rate.name + 1}`}
                              onClick={() => list.remove(part.name)}
                            >
                              ×
                            </Button>
                          </div>
                        ))}
                        <Button size="small" onClick={() => list.add({ authority: '', percent: '' })}>
                          Add an authority
                        </Button>
                      </>
                    )}
                  </Form.List>
                </fieldset>
              ))}
              <Button onClick={() => add({ from: null, percent: '', components: [{ authority: '', percent: '' }] })}>
                Add a rate from a later date
              </Button>
            </>
          )}
        </Form.List>
        <Form.Item name="freightTaxed" valuePropName="checked" style={{ margin: '10px 0' }}>
          <Checkbox>Freight is taxed like the goods</Checkbox>
        </Form.Item>
      </PolicyForm>
      <TryOut taxCode={asRequest(values)} />
    </>
  );
}

function TryOut({ taxCode }: { taxCode: TaxCodeRequest }) {
  const company = useCompany();
  const [goods, setGoods] = useState('1000.00');
  const [freight, setFreight] = useState('18.00');
  const currency = company.data?.baseCurrency ?? 'GBP';
  const on = company.data?.businessDate;
  const body = { taxCode, currency, goods, freight, on };
  const { data, error } = useQuery({
    queryKey: ['try-tax', body],
    queryFn: () => answer(tryOutTaxCode({ body })),
    placeholderData: (d) => d,
    retry: false,
    enabled: !!on,
  });
  return (
    <section className="card pad" aria-label="Try-out">
      <h2>Try-out: tax on a sample invoice</h2>
      <div className="ties" style={{ margin: '8px 0' }}>
        <label className="small muted">
          Goods
          <Input
            aria-label="Sample goods"
            className="figure"
            value={goods}
            onChange={(e) => setGoods(e.target.value)}
          />
        </label>
        <label className="small muted">
          Freight
          <Input
            aria-label="Sample freight"
            className="figure"
            value={freight}
            onChange={(e) => setFreight(e.target.value)}
          />
        </label>
      </div>
      {error && <Alert type="error" showIcon title={asProblem(error).detail} />}
      {data && !error && (
        <table className="lines">
          <tbody>
            <tr>
              <th scope="row">Taxed</th>
              <td className="figure">{money(data.taxed)}</td>
            </tr>
            {data.parts.map((part) => (
              <tr key={part.authority}>
                <th scope="row">
                  {part.authority}, {part.percent} %
                </th>
                <td className="figure">{money(part.amount)}</td>
              </tr>
            ))}
            <tr className="strong">
              <th scope="row">Tax, {data.percent} %</th>
              <td className="figure">{money(data.tax)}</td>
            </tr>
            <tr>
              <th scope="row">Invoice total</th>
              <td className="figure">{money(data.gross)}</td>
            </tr>
          </tbody>
        </table>
      )}
    </section>
  );
}
