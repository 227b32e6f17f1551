import { Form } from 'antd';
import type { ReactNode } from 'react';
import type { Change } from '../api/changes';
import { DialogForm } from './DialogForm';
import { TextField } from './fields';
import { useSend } from './useSend';

/** Asks for a reason, and does one thing with it. */
export function ReasonDialog({
  title,
  label = 'Reason',
  action,
  extra,
  change,
  act,
  onClose,
}: {
  title: string;
  label?: string;
  action: string;
  extra?: ReactNode;
  change: Change;
  act: (reason: string) => Promise<unknown>;
  onClose: () => void;
}) {
  const [form] = Form.useForm<{ reason: string }>();
  const sending = useSend(form, change);
  const go = async ({ reason }: { reason: string }) => {
    const done = await sending.send(async () => {
      await act(reason);
      return true;
    });
    if (done) onClose();
  };
  return (
    <DialogForm
      title={title}
      form={form}
      initial={{ reason: '' }}
      action={action}
      sending={sending}
      onSend={(v) => void go(v)}
      onClose={onClose}
    >
      <TextField name="reason" label={label} extra={extra} />
    </DialogForm>
  );
}
