import { App, Form } from 'antd';
import dayjs, { type Dayjs } from 'dayjs';
import { ofAccount } from '../../api/changes';
import { notePromise, type AccountPage } from '../../api/generated';
import { answer } from '../../api/problem';
import { DialogForm } from '../../form/DialogForm';
import { AmountField, DayField, TextField } from '../../form/fields';
import { plain } from '../../form/options';
import { useSend } from '../../form/useSend';
import { iso } from '../../format/dates';
import { ReplacesField } from './ReplacesField';

interface Typed {
  amount: string;
  dueOn: Dayjs;
  contact: string;
  note: string;
  replaces: number[];
}

/** Notes what somebody promised to pay, and by when. */
export function NotePromise({ page, today, onClose }: { page: AccountPage; today: string; onClose: () => void }) {
  const { code, name, currency } = page.account;
  const [form] = Form.useForm<Typed>();
  const sending = useSend(form, ofAccount(code));
  const { message } = App.useApp();
  const save = async (v: Typed) => {
    const body = { ...v, amount: plain(v.amount), dueOn: iso(v.dueOn) };
    if (!(await sending.send(() => answer(notePromise({ path: { code }, body }))))) return;
    void message.success('The promise is noted.');
    onClose();
  };
  return (
    <DialogForm
      title={`A promise of ${name}`}
      form={form}
      initial={{ amount: '', dueOn: dayjs(today).add(7, 'day'), contact: '', note: '', replaces: [] }}
      action="Note the promise"
      sending={sending}
      onSend={(v) => void save(v)}
      onClose={onClose}
    >
      <div className="ties">
        <AmountField name="amount" label={`Amount, ${currency}`} />
        <DayField name="dueOn" label="Pays by" />
      </div>
      <TextField name="contact" label="Who promised" />
      <TextField name="note" label="Note" />
      <ReplacesField promises={page.promises} />
    </DialogForm>
  );
}
