import { Button, Form, Input } from 'antd';
import { DayInput } from '../../form/DayInput';
import { addTaxCode, changeTaxCode, type TaxCodeView } from '../../api/generated';
import { answer } from '../../api/problem';
import { useTaxCodes } from '../../api/queries';
import { CheckField } from '../../form/fields';
import { PolicyForm, PolicyPage, usePolicySave } from '../policies';
import { asRequest, asTyped, type TaxTyped } from './taxForm';
import { TaxTryOut } from './TaxTryOut';

export function TaxCodes() {
  const query = useTaxCodes();
  return (
    <PolicyPage query={query} kind="tax-codes" what="tax code" many="tax codes">
      {(policy, onSaved) => <TaxForm policy={policy} onSaved={onSaved} />}
    </PolicyPage>
  );
}

function TaxForm({ policy, onSaved }: { policy?: TaxCodeView; onSaved: (code: string) => void }) {
  const [form] = Form.useForm<TaxTyped>();
  const initial = asTyped(policy);
  const values = (Form.useWatch([], form) as TaxTyped | undefined) ?? initial;
  const saving = usePolicySave(form, policy, onSaved, (version) => {
    const body = asRequest(form.getFieldsValue(true) as TaxTyped);
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
                      <DayInput live style={{ width: '100%' }} />
                    </Form.Item>
                    <Form.Item name={[rate.name, 'percent']} label="Together" style={{ marginBottom: 4 }}>
                      <Input className="figure" suffix="%" />
                    </Form.Item>
                    <Button type="text" aria-label={`Remove rate ${rate.name + 1}`} onClick={() => remove(rate.name)}>
                      ×
                    </Button>
                  </div>
                  <Authorities rate={rate.name} />
                </fieldset>
              ))}
              <Button onClick={() => add({ from: null, percent: '', components: [{ authority: '', percent: '' }] })}>
                Add a rate from a later date
              </Button>
            </>
          )}
        </Form.List>
        <div style={{ marginTop: 10 }}>
          <CheckField name="freightTaxed">Freight is taxed like the goods</CheckField>
        </div>
      </PolicyForm>
      <TaxTryOut taxCode={asRequest(values)} />
    </>
  );
}

/** The parts of a rate, by the authority each goes to. */
const Authorities = ({ rate }: { rate: number }) => (
  <Form.List name={[rate, 'components']}>
    {(parts, list) => (
      <>
        {parts.map((part) => (
          <div key={part.key} className="tax-row">
            <Form.Item name={[part.name, 'authority']} style={{ marginBottom: 4 }}>
              <Input
                aria-label={`Rate ${rate + 1}, authority ${part.name + 1}`}
                placeholder="authority"
                autoComplete="off"
              />
            </Form.Item>
            <Form.Item name={[part.name, 'percent']} style={{ marginBottom: 4 }}>
              <Input aria-label={`Rate ${rate + 1}, part ${part.name + 1}`} className="figure" suffix="%" />
            </Form.Item>
            <Button
              type="text"
              aria-label={`Remove part ${part.name + 1} of rate ${rate + 1}`}
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
);
