import { Form } from 'antd';
import { ofRuns } from '../../api/changes';
import { changeRunAccount, type RunAccountView, type RunView } from '../../api/generated';
import { answer } from '../../api/problem';
import { DialogForm } from '../../form/DialogForm';
import { NumberField, TextField } from '../../form/fields';
import { useKey } from '../../form/useKey';
import { useSend } from '../../form/useSend';

/** The level at which the letter of an account speaks. */
export function ChooseLevel({
  run,
  account,
  levels,
  onClose,
}: {
  run: RunView;
  account: RunAccountView;
  levels: number;
  onClose: () => void;
}) {
  const [form] = Form.useForm<{ level: number; reason: string }>();
  const sending = useSend(form, ofRuns);
  const once = useKey();
  const choose = async (typed: { level: number; reason: string }) => {
    const done = await sending.send(() =>
      answer(
        changeRunAccount({
          path: { id: run.id, code: account.account },
          body: { kind: 'setLevel', ...typed },
          headers: once,
        }),
      ),
    );
    if (done) onClose();
  };
  return (
    <DialogForm
      title={`Level of the letter to ${account.name}`}
      form={form}
      initial={{ level: account.level, reason: '' }}
      action="Choose"
      sending={sending}
      onSend={(v) => void choose(v)}
      onClose={onClose}
    >
      <NumberField name="level" label={`Level, 1 to ${levels}`} min={1} max={levels} />
      <TextField name="reason" label="Reason" />
    </DialogForm>
  );
}
