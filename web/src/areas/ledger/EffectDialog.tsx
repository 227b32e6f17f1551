import { App, Form } from 'antd';
import { ofAccount } from '../../api/changes';
import type { EffectView } from '../../api/generated';
import { DialogForm } from '../../form/DialogForm';
import { AmountField, TextField } from '../../form/fields';
import { usePreview } from '../../form/usePreview';
import { useSend } from '../../form/useSend';
import { EffectPanel } from './EffectPanel';

interface Typed {
  reason: string;
  bankFee: string;
}

/** Asks the reason for something that is posted, with its effect shown before. */
export function EffectDialog({
  code,
  title,
  action,
  note = '',
  done,
  act,
  mayCharge = false,
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
  act: (preview: boolean, reason: string, bankFee: string) => Promise<EffectView>;
  /** Whether a fee of the bank may be charged on with it. */
  mayCharge?: boolean;
  onClose: () => void;
}) {
  const [form] = Form.useForm<Typed>();
  const sending = useSend(form, ofAccount(code));
  const { message } = App.useApp();
  const bankFee = (Form.useWatch('bankFee', form) as string | undefined) ?? '';
  const { effect, problem: wrong, settled } = usePreview(`once ${bankFee}`, () => act(true, 'preview', bankFee));
  const post = async (reason: string) => {
    if (!(await sending.send(() => act(false, reason, bankFee)))) return;
    void message.success(done);
    onClose();
  };
  return (
    <DialogForm
      title={title}
      width={820}
      form={form}
      initial={{ reason: '', bankFee: '' }}
      action={action}
      disabled={!effect || !settled}
      beside={note}
      sending={{ busy: sending.busy, problem: sending.problem ?? (wrong?.errors.bankFee ? null : wrong) }}
      onSend={({ reason }) => void post(reason)}
      onClose={onClose}
    >
      {mayCharge ? (
        <div className="ties">
          <TextField name="reason" label="Reason" />
          <AmountField name="bankFee" label="Bank’s fee, if it is charged on" wrong={wrong} />
        </div>
      ) : (
        <TextField name="reason" label="Reason" disabled={!!wrong} />
      )}
      {effect && <EffectPanel effect={effect} />}
    </DialogForm>
  );
}
