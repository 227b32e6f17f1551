import { Button, Form, Modal } from 'antd';
import type { ReactNode } from 'react';
import { ProblemNote } from '../areas/accounts/ProblemNote';
import { useSend } from '../areas/accounts/useSend';
import { FocusedInput } from './FocusedInput';

/** Asks for a reason, and does one thing with it. */
export function ReasonModal({
  title,
  label = 'Reason',
  action,
  children,
  act,
  onDone,
  onClose,
}: {
  title: string;
  label?: string;
  action: string;
  children?: ReactNode;
  act: (reason: string) => Promise<unknown>;
  onDone?: () => void;
  onClose: () => void;
}) {
  const [form] = Form.useForm<{ reason: string }>();
  const { send, busy, problem } = useSend(form);
  const go = async (v: { reason: string }) => {
    const done = await send(async () => {
      await act(v.reason);
      return true;
    });
    if (!done) return;
    onDone?.();
    onClose();
  };
  return (
    <Modal open title={title} footer={null} onCancel={onClose} width={460}>
      {children}
      <Form form={form} layout="vertical" initialValues={{ reason: '' }} onFinish={(v) => void go(v)}>
        <ProblemNote problem={problem} />
        <Form.Item name="reason" label={label}>
          <FocusedInput autoComplete="off" />
        </Form.Item>
        <Button type="primary" htmlType="submit" loading={busy}>
          {action}
        </Button>
      </Form>
    </Modal>
  );
}
