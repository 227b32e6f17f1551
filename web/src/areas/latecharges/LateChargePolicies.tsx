import { useQuery } from '@tanstack/react-query';
import { Form, Select } from 'antd';
import { addLateChargePolicy, changeLateChargePolicy, type LateChargePolicyView } from '../../api/generated';
import { listLateChargeTemplatesOptions } from '../../api/generated/@tanstack/react-query.gen';
import { answer } from '../../api/problem';
import { useChoices, useCompany, useLateChargePolicies, useReferenceRates } from '../../api/queries';
import { AmountField, ChoiceField, TextField } from '../../form/fields';
import { choices } from '../../form/options';
import { PolicyForm, PolicyPage, usePolicySave } from '../policies';
import { ChargeBounds } from './ChargeBounds';
import { asPolicy, asTyped, methods, type ChargeTyped } from './chargeForm';
import { ChargeRates } from './ChargeRates';
import { ChargeTryOut } from './ChargeTryOut';

export function LateChargePolicies() {
  const query = useLateChargePolicies();
  return (
    <PolicyPage query={query} kind="late-charges" what="policy" many="policies">
      {(policy, onSaved) => <ChargeForm policy={policy} onSaved={onSaved} />}
    </PolicyPage>
  );
}

function ChargeForm({ policy, onSaved }: { policy?: LateChargePolicyView; onSaved: (code: string) => void }) {
  const [form] = Form.useForm<ChargeTyped>();
  const company = useCompany();
  const known = useChoices();
  const references = useReferenceRates();
  const templates = useQuery({ ...listLateChargeTemplatesOptions(), staleTime: Infinity });
  const initial: ChargeTyped = {
    code: policy?.code ?? '',
    name: policy?.name ?? '',
    reason: '',
    ...asTyped(policy?.policy),
  };
  const values: ChargeTyped = { ...initial, ...(Form.useWatch([], form) as ChargeTyped | undefined) };
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
            <TextField name="label" label="Name printed on documents" />
            <ChoiceField name="grows" label="Method" options={choices(methods)} />
            {values.grows === 'monthly' ? (
              <AmountField name={['monthly', 'percent']} label="Each month" suffix="%" />
            ) : (
              <ChoiceField
                name="dayCount"
                label="Day count"
                options={(known.data?.dayCounts ?? []).map((d) => ({ value: d.name, label: d.title }))}
              />
            )}
          </>
        }
      >
        <ChargeRates values={values} />
        <ChargeBounds values={values} />
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
