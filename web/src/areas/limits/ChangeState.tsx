import { App, Form, Radio } from 'antd';
import dayjs, { type Dayjs } from 'dayjs';
import { ofAccount } from '../../api/changes';
import { changeState, type AccountPage, type AccountState } from '../../api/generated';
import { answer } from '../../api/problem';
import { DialogForm } from '../../form/DialogForm';
import { DayField, TextField } from '../../form/fields';
import { choices } from '../../form/options';
import { useSend } from '../../form/useSend';
import { iso } from '../../format/dates';

const meanings: Record<AccountState, string> = {
  open: 'Open: supplied as usual',
  watch: 'Watch: every check is shown',
  stop: 'Stop: no new supply',
};

interface Typed {
  state: AccountState;
  from: Dayjs;
  reason: string;
}

/** Opens an account to supply, puts it on watch, or stops it, from a day on. */
export function ChangeState({ page, today, onClose }: { page: AccountPage; today: string; onClose: () => void }) {
  const { code, name } = page.account;
  const [form] = Form.useForm<Typed>();
  const sending = useSend(form, ofAccount(code));
  const { message } = App.useApp();
  const save = async (v: Typed) => {
    const body = { ...v, from: iso(v.from) };
    if (!(await sending.send(() => answer(changeState({ path: { code }, body }))))) return;
    void message.success('The state is changed.');
    onClose();
  };
  return (
    <DialogForm
      title={`State of ${name}`}
      form={form}
      initial={{ state: page.position.state, from: dayjs(today), reason: '' }}
      action="Change the state"
      sending={sending}
      onSend={(v) => void save(v)}
      onClose={onClose}
    >
      <Form.Item name="state" label="State">
        <Radio.Group options={choices(meanings)} style={{ display: 'grid', gap: 6 }} />
      </Form.Item>
      <DayField name="from" label="From" />
      <TextField name="reason" label="Reason" />
    </DialogForm>
  );
}
