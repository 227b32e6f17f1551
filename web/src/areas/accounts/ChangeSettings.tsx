import { App, AutoComplete, Button, DatePicker, Form, Input, Modal, Select } from 'antd';
import dayjs, { type Dayjs } from 'dayjs';
import { changeAccount } from '../../../api/generated';
import { answer } from '../../../api/problem';
import { useLateChargePolicies, useReminderPlans, useTaxCodes, useTermsPolicies } from '../../../api/queries';
import { iso } from '../../../format/dates';
import { TermsTryOut } from '../../policies/TermsTryOut';
import { ProblemNote } from '../ProblemNote';
import { useSend } from '../useSend';
import type { ActionProps } from './TakePayment';

interface Typed {
  terms: string;
  termsAgreedOn: Dayjs | null;
  lateChargePolicy: string;
  reminderPlan: string;
  taxCode: string;
  reason: string;
}

/** Terms (a chosen set or shorthand), policy, plan and tax, with the schedule of a sample invoice beside them. */
export function ChangeSettings({ page, today, onClose }: ActionProps) {
  const [form] = Form.useForm<Typed>();
  const { send, busy, problem } = useSend(form);
  const { message } = App.useApp();
  const terms = useTermsPolicies();
  const policies = useLateChargePolicies();
  const plans = useReminderPlans();
  const taxes = useTaxCodes();
  const account = page.account;
  const typed = (Form.useWatch('terms', form) as string | undefined) ?? account.terms;
  const known = terms.data?.find((t) => t.code === typed.trim());
  const save = async ({ reason, termsAgreedOn, ...customer }: Typed) => {
    const done = await send(() =>
      answer(
        changeAccount({
          path: { code: account.code },
          body: { customer: { ...customer, termsAgreedOn: iso(termsAgreedOn) }, reason },
          headers: { 'If-Match': `"${account.version}"` },
        }),
      ),
    );
    if (!done) return;
    void message.success('The account is changed. Invoices already posted keep their terms.');
    onClose();
  };
  const choices = (list: { code: string; name: string }[] | undefined) => [
    { value: '', label: 'none' },
    ...(list ?? []).map((p) => ({ value: p.code, label: `${p.code}: ${p.name}` })),
  ];
  return (
    <Modal
      title={`Terms and policies of ${account.name}`}
      open
      onCancel={onClose}
      footer={null}
      width={980}
      style={{ top: 30 }}
    >
      <ProblemNote problem={problem} />
      <div className="ties">
        <Form
          form={form}
          layout="vertical"
          onFinish={(v) => void save(v)}
          initialValues={{
            terms: account.terms,
            termsAgreedOn: account.termsAgreedOn ? dayjs(account.termsAgreedOn) : null,
            lateChargePolicy: account.lateChargePolicy ?? '',
            reminderPlan: account.reminderPlan ?? '',
            taxCode: account.taxCode ?? '',
            reason: '',
          }}
        >
          <Form.Item
            name="terms"
            label="Terms"
            extra="A code, or shorthand such as 2/10 n/30, n/30 EOM, 15 prox, 40% now, rest 20"
          >
            <AutoComplete
              options={(terms.data ?? []).map((t) => ({
                value: t.code,
                label: t.code === t.name ? t.code : `${t.code}: ${t.name}`,
              }))}
            />
          </Form.Item>
          <Form.Item name="termsAgreedOn" label="The customer confirmed its terms on">
            <DatePicker format="D MMM YYYY" placeholder="never" style={{ width: '100%' }} />
          </Form.Item>
          <Form.Item name="lateChargePolicy" label="Late-charge policy">
            <Select options={choices(policies.data)} />
          </Form.Item>
          <Form.Item name="reminderPlan" label="Reminder plan">
            <Select options={choices(plans.data)} />
          </Form.Item>
          <Form.Item name="taxCode" label="Tax code">
            <Select options={choices(taxes.data)} />
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
