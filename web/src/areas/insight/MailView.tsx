import { App, Form, Select } from 'antd';
import { ofMailedViews } from '../../api/changes';
import { addMailedView, type MailedReport, type MailedViewRequest } from '../../api/generated';
import { answer } from '../../api/problem';
import { DialogForm } from '../../form/DialogForm';
import { ChoiceField, NumberField, TextField } from '../../form/fields';
import { choices } from '../../form/options';
import { useKey } from '../../form/useKey';
import { useSend } from '../../form/useSend';
import { mailedReports } from '../../words/insight';
import { rhythms, weekdays } from '../../words/runs';

interface Typed {
  name: string;
  recipients: string;
  format: 'pdf' | 'xlsx';
  rhythm: NonNullable<MailedViewRequest['rhythm']>;
  number: number;
}

/** Lets a view go out by e-mail by itself; it is made anew each time, of the day on which it goes. */
export function MailView({
  report,
  query,
  onClose,
}: {
  report: MailedReport;
  query: Record<string, string>;
  onClose: () => void;
}) {
  const [form] = Form.useForm<Typed>();
  const { message } = App.useApp();
  const sending = useSend(form, ofMailedViews);
  const once = useKey();
  // A view of one says of which; an account's page for the committee is there to be printed alone.
  const name = query.of && report !== 'whatIf' ? `${mailedReports[report]} ${query.of}` : mailedReports[report];
  const initial: Typed = { name, recipients: '', format: 'pdf', rhythm: 'weekly', number: 1 };
  const rhythm = (Form.useWatch('rhythm', form) as Typed['rhythm'] | undefined) ?? initial.rhythm;
  const send = async (t: Typed) => {
    const body = { ...t, report, query: new URLSearchParams(query).toString() };
    if (!(await sending.send(() => answer(addMailedView({ body, headers: once }))))) return;
    void message.success(`${t.name} goes out by itself. Insight, Mailed, lists what does.`);
    onClose();
  };
  return (
    <DialogForm
      title="By e-mail on a schedule"
      form={form}
      initial={initial}
      sending={sending}
      action="Let it go out"
      beside="It goes through the outbox."
      onSend={(t) => void send(t)}
      onClose={onClose}
      above={
        <p className="muted small" style={{ marginTop: 0 }}>
          {report === 'whatIf'
            ? 'As it was worked out.'
            : 'What is shown now, without its days: each time it is of the day on which it goes.'}
        </p>
      }
    >
      <TextField name="name" label="Name" />
      <TextField name="recipients" label="To" placeholder="addresses, separated by semicolons" />
      <div className="ties">
        <ChoiceField
          name="format"
          label="As"
          options={[
            { value: 'pdf', label: 'PDF, to print' },
            ...(report === 'overview' ? [] : [{ value: 'xlsx', label: 'XLSX' }]),
          ]}
        />
        <ChoiceField
          name="rhythm"
          label="How often"
          options={choices({ ...rhythms, weekly: 'every week', monthly: 'every month' })}
        />
      </div>
      {rhythm === 'weekly' && (
        <Form.Item name="number" label="Day of the week">
          <Select options={weekdays.map((label, i) => ({ value: i + 1, label }))} />
        </Form.Item>
      )}
      {rhythm === 'monthly' && <NumberField name="number" label="Business day of the month" min={1} max={20} />}
    </DialogForm>
  );
}
