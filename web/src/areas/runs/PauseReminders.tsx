import { Form } from 'antd';
import type { Dayjs } from 'dayjs';
import { ofAccount, type Change } from '../../api/changes';
import { changeRunAccount, pauseReminders } from '../../api/generated';
import { answer } from '../../api/problem';
import { DialogForm } from '../../form/DialogForm';
import { DayField, TextField } from '../../form/fields';
import { useKey } from '../../form/useKey';
import { useSend } from '../../form/useSend';
import { iso } from '../../format/dates';

/** Puts the reminders of an account off until a day; where it stands in a run, it is worked out anew there. */
export function PauseReminders({
  code,
  name,
  run,
  onClose,
}: {
  code: string;
  name: string;
  run?: number;
  onClose: () => void;
}) {
  const [form] = Form.useForm<{ until: Dayjs | null; reason: string }>();
  const change: Change = { ...ofAccount(code), subjects: ['book', 'account', 'runs'] };
  const sending = useSend(form, change);
  const once = useKey();
  const pause = async ({ until, reason }: { until: Dayjs | null; reason: string }) => {
    const done = await sending.send(async () => {
      const row = await answer(pauseReminders({ path: { code }, body: { until: iso(until), reason }, headers: once }));
      if (run !== undefined)
        await answer(
          changeRunAccount({
            path: { id: run, code },
            body: { kind: 'confirm' },
            headers: { 'Idempotency-Key': crypto.randomUUID() },
          }),
        );
      return row;
    });
    if (done) onClose();
  };
  return (
    <DialogForm
      title={`Pause reminders of ${name}`}
      form={form}
      initial={{ until: null, reason: '' }}
      action="Pause"
      sending={sending}
      onSend={(v) => void pause(v)}
      onClose={onClose}
    >
      <DayField name="until" label="Until" extra="The first day on which reminders go out again." />
      <TextField name="reason" label="Reason" />
    </DialogForm>
  );
}
