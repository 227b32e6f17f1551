import { useQuery } from '@tanstack/react-query';
import { Checkbox, Form, Input, InputNumber, Select } from 'antd';
import {
  addLateChargePolicy,
  changeLateChargePolicy,
  listLateChargeTemplates,
  type LateChargePolicyView,
} from '../../api/generated';
import { answer } from '../../api/problem';
import { useChoices, useCompany, useLateChargePolicies, useReferenceRates, useTaxCodes } from '../../api/queries';
import { amountsOf, asPolicy, asTyped, type ChargeTyped } from './chargeForm';
import { ChargeTryOut } from './ChargeTryOut';
import { OtherCurrencies } from './OtherCurrencies';
import { PolicyForm } from './PolicyForm';
import { PolicyPage } from './PolicyPage';
import { Rows } from './Rows';
import { usePolicySave } from './usePolicySave';

export function LateChargePolicies() {
  const { data } = useLateChargePolicies();
  return (
    <PolicyPage entries={data} kind="late-charges" what="policy" many="policies">
      {(policy, onSaved) => <ChargeForm policy={policy} onSaved={onSaved} />}
    </PolicyPage>
  );
}

const perYear = { name: 'annualRate', label: 'Rate in percent a year', suffix: '% a year' };

function ChargeForm({ policy, onSaved }: { policy?: LateChargePolicyView; onSaved: (code: string) => void }) {
  const [form] = Form.useForm<ChargeTyped>();
  const company = useCompany();
  const choices = useChoices();
  const references = useReferenceRates();
  const taxes = useTaxCodes();
  const templates = useQuery({
    queryKey: ['late-charge-templates'],
    queryFn: () => answer(listLateChargeTemplates()),
    staleTime: Infinity,
  });
  const initial: ChargeTyped = {
    code: policy?.code ?? '',
    name: policy?.name ?? '',
    reason: '',
    ...asTyped(policy?.policy),
  };
  const watched = Form.useWatch([], form) as ChargeTyped | undefined;
  const values: ChargeTyped = { ...initial, ...watched };
  const saving = usePolicySave(form, policy, onSaved, (version) => {
    const v = { ...initial, ...(form.getFieldsValue(true) as ChargeTyped) };
    const body = { code: v.code, name: v.name || v.code, policy: asPolicy(v), reason: v.reason };
    return answer(version ? changeLateChargePolicy({ ...version, body }) : addLateChargePolicy({ body }));
  });
  const start = (name: string) => {
    const template = templates.data?.find((t) => t.name === name);
    if (!template) return;
    const typed = asTyped(template.policy);
    const code = references.data?.[0]?.code ?? '';
    form.setFieldsValue({ ...typed, reference: { ...typed.reference, code } });
  };
  return (
    <>
      <PolicyForm
        form={form}
        policy={policy}
        initial={initial}
        what="late-charge policy"
        kind="late-charges"
        saving={saving}
        beside={
          <>
            {!policy && (
              <Form.Item label="Start from" htmlFor="template">
                <Select
                  id="template"
                  placeholder="nothing"
                  options={(templates.data ?? []).map((t) => ({ value: t.name, label: t.name, title: t.source }))}
                  onChange={start}
                />
              </Form.Item>
            )}
            <Form.Item name="label" label="Word printed for it">
              <Input autoComplete="off" />
            </Form.Item>
            <Form.Item name="grows" label="It grows">
              <Select
                options={[
                  { value: 'table', label: 'by day, at rates of our own' },
                  { value: 'reference', label: 'by day, at a reference rate' },
                  { value: 'monthly', label: 'by month' },
                ]}
              />
            </Form.Item>
            {values.grows === 'monthly' ? (
              <Form.Item name={['monthly', 'percent']} label="Each month">
                <Input className="figure" suffix="%" />
              </Form.Item>
            ) : (
              <Form.Item name="dayCount" label="Day count">
                <Select options={(choices.data?.dayCounts ?? []).map((d) => ({ value: d.name, label: d.title }))} />
              </Form.Item>
            )}
          </>
        }
      >
        {values.grows === 'monthly' && (
          <Form.Item name={['monthly', 'months']} label="Months charged">
            <Select
              options={[
                { value: 'started', label: 'each one begun, on what was overdue on its first day' },
                { value: 'full', label: 'each full one, on what stayed overdue to its end' },
              ]}
            />
          </Form.Item>
        )}
        {values.grows === 'table' && (
          <Rows
            name="rates"
            title="Rates"
            add="Add a rate"
            columns={[{ name: 'from', label: 'From', prefix: 'from', kind: 'date' }, perYear]}
          />
        )}
        {values.grows === 'reference' && (
          <>
            <div className="ties">
              <Form.Item name={['reference', 'code']} label="Reference rate">
                <Select options={(references.data ?? []).map((r) => ({ value: r.code, label: r.name }))} />
              </Form.Item>
              <Form.Item name={['reference', 'margin']} label="Margin on it">
                <Input className="figure" suffix="% a year" />
              </Form.Item>
            </div>
            <Form.Item name={['reference', 'fixedForLife']} valuePropName="checked" style={{ marginBottom: 0 }}>
              <Checkbox>The half-year in which a debt became late gives its rate for good</Checkbox>
            </Form.Item>
            <Form.Item name={['reference', 'dayBefore']} valuePropName="checked">
              <Checkbox>A half-year’s rate is that of the day before it begins</Checkbox>
            </Form.Item>
          </>
        )}
        {values.grows !== 'monthly' && (
          <>
            <Rows
              name="bands"
              title="Bands: the part above an amount bears another rate"
              add="Add a band"
              columns={[{ name: 'above', label: 'Above', prefix: 'above' }, perYear]}
            />
            {values.bands.length > 0 && (
              <Form.Item name="bandsOn" label="Bands are measured on">
                <Select
                  options={[
                    { value: 'item', label: 'each item' },
                    { value: 'account', label: 'all that the account has overdue' },
                  ]}
                />
              </Form.Item>
            )}
          </>
        )}
        <Rows
          name="compensation"
          title="Fixed sum, charged once an item"
          add="Add a fixed sum"
          columns={[
            { name: 'from', label: 'From an amount overdue of', prefix: 'from' },
            { name: 'amount', label: 'Fixed sum' },
          ]}
        />
        <div className="ties">
          <Form.Item name="waitDays" label="Free days after the due date">
            <InputNumber min={0} max={3650} style={{ width: '100%' }} />
          </Form.Item>
          <Form.Item name="countFrom" label="Once over, days count from the">
            <Select
              options={[
                { value: 'dueDate', label: 'due date' },
                { value: 'endOfWait', label: 'end of the free days' },
              ]}
            />
          </Form.Item>
          <Form.Item name="minimum" label="Least on one item">
            <Input className="figure" placeholder="no minimum" />
          </Form.Item>
          <Form.Item name="belowMinimum" label="Below the least">
            <Select
              options={[
                { value: 'raise', label: 'charge the least' },
                { value: 'skip', label: 'charge nothing' },
              ]}
            />
          </Form.Item>
          <Form.Item name="maximum" label="Most on one item">
            <Input className="figure" placeholder="no maximum" />
          </Form.Item>
          <Form.Item name="maximumOverLife" label="Most on an item, ever">
            <Input className="figure" placeholder="no maximum" />
          </Form.Item>
          <Form.Item name="maximumPerRun" label="Most on an account at a time">
            <Input className="figure" placeholder="no maximum" />
          </Form.Item>
          <Form.Item name="exemptBelow" label="Items below this are free">
            <Input className="figure" placeholder="none" />
          </Form.Item>
          <Form.Item name={['ceiling', 'rate']} label="Highest rate the law allows">
            <Input className="figure" suffix="% a year" placeholder="none" />
          </Form.Item>
          <Form.Item name={['ceiling', 'source']} label="laid down in">
            <Input autoComplete="off" />
          </Form.Item>
          <Form.Item name="postingAccount" label="Income goes to account">
            <Input className="figure" placeholder={company.data?.postingAccounts.lateChargeIncome} />
          </Form.Item>
          <Form.Item name="taxCode" label="Taxed by">
            <Select
              options={[
                { value: '', label: 'not taxed' },
                ...(taxes.data ?? []).map((t) => ({ value: t.code, label: t.name })),
              ]}
            />
          </Form.Item>
        </div>
        {amountsOf(values).length > 0 && <OtherCurrencies name={['inOtherCurrencies']} amounts={amountsOf(values)} />}
        <Form.Item name="onCharges" valuePropName="checked" style={{ marginBottom: 0 }}>
          <Checkbox>Unpaid earlier charges bear charges themselves</Checkbox>
        </Form.Item>
        <Form.Item name="shownOnly" valuePropName="checked">
          <Checkbox>Shown on letters and quotes, never posted</Checkbox>
        </Form.Item>
      </PolicyForm>
      {company.data && (
        <ChargeTryOut
          policy={asPolicy(values)}
          today={company.data.businessDate}
          currency={company.data.baseCurrency}
        />
      )}
    </>
  );
}
