import { App, Button, Form, Modal } from 'antd';
import { useMemo } from 'react';
import { cancelReminder, reverseOpeningDocument, reversePosting, type LedgerRowView } from '../../../api/generated';
import { answer } from '../../../api/problem';
import { ProblemNote } from '../ProblemNote';
import { kindNames } from '../kinds';
import { useSend } from '../useSend';
import { EffectPanel } from './Journal';
import { usePreview } from '../../../shell/usePreview';
import { FocusedInput } from '../../../shell/FocusedInput';

type What = { entry: LedgerRowView; reminder?: undefined } | { entry?: undefined; reminder: string };

/** Reverses a posting or cancels a reminder; its effect is shown first, and the original stays. */
export function Undo({ entry, reminder, onClose }: What & { onClose: () => void }) {
  const [form] = Form.useForm();
  const { send, busy, problem } = useSend(form);
  const { message } = App.useApp();
  const key = useMemo(() => crypto.randomUUID(), []);
  const act = (preview: boolean, reason: string) => {
    if (!entry) return answer(cancelReminder({ path: { number: reminder }, query: { preview }, body: { reason } }));
    const request = { query: { preview }, body: { reason }, headers: { 'Idempotency-Key': key } };
    return answer(
      entry.openingDocument
        ? reverseOpeningDocument({ ...request, path: { id: entry.openingDocument } })
        : reversePosting({ ...request, path: { entry: entry.entryId } }),
    );
  };
  const { effect, problem: wrong } = usePreview('once', () => act(true, 'preview'));
  const name = entry ? `${kindNames[entry.kind] ?? entry.kind} ${entry.number ?? ''}` : `Reminder ${reminder}`;
  const post = async (reason: string) => {
    if (!(await send(() => act(false, reason)))) return;
    void message.success(`${name} is ${entry ? 'reversed' : 'cancelled'}.`);
    onClose();
  };
  return (
    <Modal title={`${entry ? 'Reverse' : 'Cancel'} ${name}`} open onCancel={onClose} footer={null} width={820}>
      <ProblemNote problem={problem ?? wrong} />
      <Form
        form={form}
        layout="vertical"
        onFinish={(v) => void post((v as { reason: string }).reason)}
        initialValues={{ reason: '' }}
      >
        <Form.Item name="reason" label="Reason">
          <FocusedInput disabled={!!wrong} />
        </Form.Item>
        {effect && <EffectPanel effect={effect} />}
        <Button type="primary" htmlType="submit" loading={busy} disabled={!effect} style={{ marginTop: 12 }}>
          {entry ? 'Reverse it' : 'Cancel the reminder'}
        </Button>
      </Form>
    </Modal>
  );
}
