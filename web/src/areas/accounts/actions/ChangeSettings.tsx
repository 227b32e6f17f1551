import { App, AutoComplete, Button, Form, Input, Modal, Select } from 'antd';
import { changeAccount, type ChangeAccountRequest } from '../../../api/generated';
import { answer } from '../../../api/problem';
import { useLateChargePolicies, useReminderPlans, useTermsPolicies } from '../../../api/queries';
import { TermsTryOut } from '../../policies/TermsTryOut';
import { ProblemNote } from '../ProblemNote';
import { useSend } from '../useSend';
import type { ActionProps } from './TakePayment';

/** Terms (a chosen set or shorthand), policy, plan and details, with the schedule of a sample invoice beside them. */
export function ChangeSettings({ page, today, onClose }: ActionProps) {
  const [form] = Form.useForm();
  const { send, busy, problem } = useSend(form);
  const { message } = App.useApp();
  const terms = useTermsPolicies();
  const policies = useLateChargePolicies();
  const plans = useReminderPlans();
  const account = page.account;
  const typed = (Form.useWatch('terms', form) as string | undefined) ?? account.terms;
  const known = terms.data?.find((t) => t.code === typed.trim());
  const save = async (body: ChangeAccountRequest) => {
    const done = await send(() =>
      answer(
        changeAccount({
          path: { code: account.code },
          body: { ...body, lateChargePolicy: body.lateChargePolicy || null, reminderPlan: body.reminderPlan || null },
          headers: { 'If-Match': `"${account.version}"` },
        }),
      ),
    );
    if (!done) return;
    void message.success('The account is changed. Invoices already posted keep their terms.');
    onClose();
  };
  return (
    <Modal title={`Terms and details of ${account.name}`} open onCancel={onClose} footer={null} width={980} style={{ top: 30 }}>
      <ProblemNote problem={problem} />
      <div className="ties">
        <Form
          form={form}
          layout="vertical"
          onFinish={(v) => void save(v as ChangeAccountRequest)}
          initialValues={{
            ...account,
            lateChargePolicy: account.lateChargePolicy ?? '',
            reminderPlan: account.reminderPlan ?? '',
            reason: '',
          }}
        >
          <Form.Item name="terms" label="Terms" extra="A code, or shorthand such as 2/10 n/30, n/30 EOM, 15 prox, 40% now, rest 20">
            <AutoComplete
              options={(terms.data ?? []).map((t) => ({ value: t.code, label: t.code === t.name ? t.code : `${t.code}: ${t.name}` }))}
            />
          </Form.Item>
          <div className="ties">
            <Form.Item name="lateChargePolicy" label="Late-charge policy">
              <Select
                options={[
                  { value: '', label: 'none' },
                  ...(policies.data ?? []).map((p) => ({ value: p.code, label: `${p.code}: ${p.name}` })),
                ]}
              />
            </Form.Item>
            <Form.Item name="reminderPlan" label="Reminder plan">
              <Select
                options={[
                  { value: '', label: 'none' },
                  ...(plans.data ?? []).map((p) => ({ value: p.code, label: `${p.code}: ${p.name}` })),
                ]}
              />
            </Form.Item>
            <Form.Item name="name" label="Name">
              <Input />
            </Form.Item>
            <Form.Item name="group" label="Group">
              <Input />
            </Form.Item>
            <Form.Item name="owner" label="Owner">
              <Input />
            </Form.Item>
            <Form.Item name="email" label="E-mail">
              <Input />
            </Form.Item>
          </div>
          <Form.Item name="address" label="Address">
            <Input.TextArea rows={2} />
          </Form.Item>
          <Form.Item name="reason" label="Reason">
            <Input />
          </Form.Item>
          <Button type="primary" htmlType="submit" loading={busy}>
            Save
          </Button>
        </Form>
        <TermsTryOut
          text={known?.text ?? typed}
          conditions={known?.conditions}
          printed={known?.printed}
          today={today}
          currency={account.currency}
        />
      </div>
    </Modal>
  );
}
