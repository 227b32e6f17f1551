import { App, Form } from 'antd';
import { ofAccount } from '../../api/changes';
import type { EffectView } from '../../api/generated';
import { DialogForm } from '../../form/DialogForm';
import { TextField } from '../../form/fields';
import { usePreview } from '../../form/usePreview';
import { useSend } from '../../form/useSend';
import { EffectPanel } from './EffectPanel';

/** Asks the reason for something that is posted, with its effect shown before. */
export function EffectDialog({
  code,
  title,
  action,
  note = '',
  done,
  act,
  onClose,
}: {
  /** The account that it changes. */
  code: string;
  title: string;
  action: string;
  /** What is worth knowing before. */
  note?: string;
  /** What is said when it is posted. */
  done: string;
  act: (preview: boolean, reason: string) => Promise<EffectView>;
  onClose: () => void;
}) {
  const [form] = Form.useForm<{ reason: string }>();
  const sending = useSend(form, ofAccount(code));
  const { message } = App.useApp();
  const { effect, problem: wrong } = usePreview('once', () => act(true, 'preview'));
  const post = async (reason: string) => {
    if (!(await sending.send(() => act(false, reason)))) return;
    void message.success(done);
    onClose();
  };
  return (
    <DialogForm
      title={title}
      width={820}
      form={form}
      initial={{ reason: '' }}
      action={action}
      disabled={!effect}
      beside={note}
      sending={{ busy: sending.busy, problem: sending.problem ?? wrong }}
      onSend={({ reason }) => void post(reason)}
      onClose={onClose}
    >
      <TextField name="reason" label="Reason" disabled={!!wrong} />
      {effect && <EffectPanel effect={effect} />}
    </DialogForm>
  );
}
