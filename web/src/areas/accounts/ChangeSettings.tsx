import { App, Button, Form } from 'antd';
import dayjs, { type Dayjs } from 'dayjs';
import { ofAccount } from '../../api/changes';
import { changeAccount, type AccountPage } from '../../api/generated';
import { answer } from '../../api/problem';
import { useLateChargePolicies, useReminderPlans, useTaxCodes, useTermsPolicies } from '../../api/queries';
import { Dialog } from '../../form/Dialog';
import { ChoiceField, DayField, SuggestField, TextField } from '../../form/fields';
import { coded, none } from '../../form/options';
import { ProblemNote } from '../../form/ProblemNote';
import { useSend } from '../../form/useSend';
import { iso } from '../../format/dates';
import { TermsTryOut } from '../terms';

interface Typed {
  terms: string;
  termsAgreedOn: Dayjs | null;
  lateChargePolicy: string;
  reminderPlan: string;
  taxCode: string;
  reason: string;
}

/** Terms (a chosen set or shorthand), policy, plan and tax, with the schedule of a sample invoice beside them. */
export function ChangeSettings({ page, today, onClose }: { page: AccountPage; today: string; onClose: () => void }) {
  const { account } = page;
  const [form] = Form.useForm<Typed>();
  const { send, busy, problem } = useSend(form, ofAccount(account.code));
  const { message } = App.useApp();
  const terms = useTermsPolicies();
  const policies = useLateChargePolicies();
  const plans = useReminderPlans();
  const taxes = useTaxCodes();
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
  return (
    <Dialog
      title={`Terms and policies of ${account.name}`}
      width={980}
      high
      typed={() => form.isFieldsTouched()}
      onClose={onClose}
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
          <SuggestField
            name="terms"
            label="Terms"
            extra="A code, or shorthand such as 2/10 n/30, n/30 EOM, 15 prox, 40% now, rest 20"
            options={coded(terms.data)}
          />
          <DayField name="termsAgreedOn" label="Terms confirmed by the customer on" placeholder="never" />
          <ChoiceField name="lateChargePolicy" label="Late-charge policy" options={[none, ...coded(policies.data)]} />
          <ChoiceField name="reminderPlan" label="Reminder plan" options={[none, ...coded(plans.data)]} />
          <ChoiceField name="taxCode" label="Tax code" options={[none, ...coded(taxes.data)]} />
          <TextField name="reason" label="Reason" />
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
    </Dialog>
  );
}
