import { Alert, Form, Input } from 'antd';
import { useState } from 'react';
import { addTerms, changeTerms, type TermsPolicyRequest, type TermsPolicyView } from '../../api/generated';
import { answer } from '../../api/problem';
import { useCompany, useTermsPolicies } from '../../api/queries';
import { CheckField, ChoiceField, NumberField } from '../../form/fields';
import { choices } from '../../form/options';
import { PolicyForm, PolicyPage, usePolicySave } from '../policies';
import { PrintedText } from './PrintedText';
import { bases, businessDays, fresh, usual } from './termsForm';
import { TermsRows } from './TermsRows';
import { TermsTryOut } from './TermsTryOut';
import { useTermsViews } from './useTermsViews';

export function TermsPolicies() {
  const query = useTermsPolicies();
  return (
    <PolicyPage query={query} kind="terms" what="terms" many="terms">
      {(policy, onSaved) => <TermsForm policy={policy} onSaved={onSaved} />}
    </PolicyPage>
  );
}

type Typed = Pick<TermsPolicyRequest, 'code' | 'name' | 'conditions' | 'reason'>;

function TermsForm({ policy, onSaved }: { policy?: TermsPolicyView; onSaved: (code: string) => void }) {
  const [form] = Form.useForm<Typed>();
  const company = useCompany();
  const views = useTermsViews(policy?.text ?? fresh.text, policy?.terms ?? fresh.rows);
  const [printed, setPrinted] = useState(policy?.printed ?? '');
  const initial: Typed = {
    code: policy?.code ?? '',
    name: policy?.name ?? '',
    conditions: policy?.conditions ?? usual,
    reason: '',
  };
  const conditions = (Form.useWatch('conditions', form) as Typed['conditions']) ?? initial.conditions;
  const saving = usePolicySave(form, policy, onSaved, (version) => {
    const body = { ...(form.getFieldsValue(true) as Typed), text: views.text, printed };
    return answer(
      version
        ? changeTerms({ ...version, body })
        : addTerms({ body: { ...body, name: body.name || body.code || views.text } }),
    );
  });
  return (
    <>
      <PolicyForm
        form={form}
        policy={policy}
        initial={initial}
        what="terms"
        kind="terms"
        saving={saving}
        typed={views.text !== (policy?.text ?? fresh.text) || printed !== (policy?.printed ?? '')}
        codeHint="the shorthand itself"
        onSave={() => views.problem === null && void saving.save()}
        above={
          <>
            <Form.Item
              label="Terms in shorthand"
              htmlFor="text"
              validateStatus={views.problem ? 'error' : undefined}
              help={views.problem?.detail}
              extra={views.problem ? undefined : '2/10 n/30 · n/30 EOM · 15 prox · 40% now, rest 20 · COD · CIA'}
            >
              <Input id="text" autoComplete="off" value={views.text} onChange={(e) => views.typeText(e.target.value)} />
            </Form.Item>
            <TermsRows rows={views.rows} onChange={views.changeRows} />
          </>
        }
        beside={
          <>
            <ChoiceField name={['conditions', 'base']} label="Discount is of the" options={choices(bases)} />
            <NumberField name={['conditions', 'graceDays']} label="Grace days, not printed" min={0} max={60} />
            <ChoiceField
              name={['conditions', 'businessDays']}
              label="A date that is no business day"
              options={choices(businessDays)}
            />
          </>
        }
        note={policy && 'Invoices already posted keep the version they were made under.'}
      >
        <CheckField name={['conditions', 'partPayments']} tight>
          A part payment in time earns its share of the discount
        </CheckField>
        <CheckField name={['conditions', 'creditNotesFollow']}>
          A credit note in time reduces what the discount is taken of
        </CheckField>
        <PrintedText value={printed} onChange={setPrinted} />
      </PolicyForm>
      <div>
        {views.problem && (
          <Alert
            type="warning"
            showIcon
            title="The try-out shows the last terms that could be read."
            style={{ marginBottom: 8 }}
          />
        )}
        {company.data && (
          <TermsTryOut
            text={views.problem ? (policy?.text ?? fresh.text) : views.text}
            conditions={conditions ?? usual}
            printed={printed}
            today={company.data.businessDate}
            currency={company.data.baseCurrency}
          />
        )}
      </div>
    </>
  );
}
