import { App, Button, Form, Input, InputNumber, Select } from 'antd';
import { useState } from 'react';
import { addTerms, changeTerms, type TermsPolicyRequest, type TermsPolicyView } from '../../api/generated';
import { answer } from '../../api/problem';
import { useCompany, useTermsPolicies } from '../../api/queries';
import { ProblemNote } from '../accounts/ProblemNote';
import { useSend } from '../accounts/useSend';
import { PolicyList } from './PolicyList';
import { TermsTryOut } from './TermsTryOut';

export function TermsPolicies() {
  const { data } = useTermsPolicies();
  const [chosen, setChosen] = useState<string | null | undefined>(undefined);
  if (!data) return null;
  const current = chosen === undefined ? (data[0]?.code ?? null) : chosen;
  const policy = data.find((p) => p.code === current);
  return (
    <div className="policies">
      <PolicyList entries={data} current={current} onChoose={setChosen} what="terms" />
      <TermsForm key={`${policy?.code} ${policy?.version}`} policy={policy} onSaved={setChosen} />
    </div>
  );
}

function TermsForm({ policy, onSaved }: { policy?: TermsPolicyView; onSaved: (code: string) => void }) {
  const [form] = Form.useForm();
  const { send, busy, problem } = useSend(form);
  const { message } = App.useApp();
  const company = useCompany();
  const text = (Form.useWatch('text', form) as string | undefined) ?? policy?.text ?? '2/10 n/30';
  const base = Form.useWatch('base', form) as string | undefined;
  const save = async (body: TermsPolicyRequest) => {
    const saved = await send(() =>
      policy
        ? answer(changeTerms({ path: { code: policy.code }, body, headers: { 'If-Match': `"${policy.version}"` } }))
        : answer(addTerms({ body: { ...body, name: body.name || body.code || body.text } })),
    );
    if (!saved) return;
    void message.success(`Version ${saved.version} of ${saved.code} is stored.`);
    onSaved(saved.code);
  };
  return (
    <>
      <section className="card pad">
        <h2 style={{ marginBottom: 8 }}>{policy ? policy.code : 'New terms'}</h2>
        <ProblemNote problem={problem} />
        <Form
          form={form}
          layout="vertical"
          onFinish={(v) => void save(v as TermsPolicyRequest)}
          initialValues={{
            code: policy?.code ?? '',
            name: policy?.name ?? '',
            text: policy?.text ?? '2/10 n/30',
            base: policy?.base ?? 'gross',
            graceDays: policy?.graceDays ?? 0,
            businessDays: policy?.businessDays ?? 'keep',
            reason: '',
          }}
        >
          <Form.Item
            name="text"
            label="Terms in shorthand"
            extra="2/10 n/30 · 3/7, 1/14 n/45 · n/30 EOM · 15 prox · 40% now, rest 20 · COD · CIA"
          >
            <Input autoComplete="off" />
          </Form.Item>
          {!policy && (
            <Form.Item name="code" label="Code">
              <Input placeholder="the shorthand itself" autoComplete="off" />
            </Form.Item>
          )}
          <Form.Item name="name" label="Name">
            <Input autoComplete="off" />
          </Form.Item>
          <div className="ties">
            <Form.Item name="base" label="Discount is of the">
              <Select
                options={[
                  { value: 'gross', label: 'amount with tax' },
                  { value: 'net', label: 'amount before tax' },
                ]}
              />
            </Form.Item>
            <Form.Item name="graceDays" label="Silent grace days">
              <InputNumber min={0} max={60} style={{ width: '100%' }} />
            </Form.Item>
          </div>
          <Form.Item name="businessDays" label="A date that is no business day">
            <Select
              options={[
                { value: 'keep', label: 'stays' },
                { value: 'next', label: 'moves to the next' },
                { value: 'previous', label: 'moves to the previous' },
              ]}
            />
          </Form.Item>
          {policy && (
            <Form.Item name="reason" label="Reason for the change">
              <Input />
            </Form.Item>
          )}
          <Button type="primary" htmlType="submit" loading={busy}>
            {policy ? `Save as version ${policy.version + 1}` : 'Add the terms'}
          </Button>
          {policy && policy.uses > 0 && (
            <p className="muted small">
              {policy.uses === 1 ? '1 account uses' : `${policy.uses} accounts use`} these terms. Invoices already posted keep the version
              they were made under.
            </p>
          )}
        </Form>
      </section>
      {company.data && <TermsTryOut text={text} base={base} today={company.data.businessDate} currency={company.data.baseCurrency} />}
    </>
  );
}
