import { App, Form } from 'antd';
import { ofAccount } from '../../api/changes';
import { cancelReminder, reverseOpeningDocument, reversePosting, type LedgerRowView } from '../../api/generated';
import { answer } from '../../api/problem';
import { DialogForm } from '../../form/DialogForm';
import { TextField } from '../../form/fields';
import { useKey } from '../../form/useKey';
import { usePreview } from '../../form/usePreview';
import { useSend } from '../../form/useSend';
import { kindNames } from '../../words/ledger';
import { EffectPanel } from './EffectPanel';

type What = { entry: LedgerRowView; reminder?: undefined } | { entry?: undefined; reminder: string };

/** Reverses a posting or cancels a reminder; its effect is shown first, and the original stays. */
export function Undo({ code, entry, reminder, onClose }: What & { code: string; onClose: () => void }) {
  const [form] = Form.useForm<{ reason: string }>();
  const sending = useSend(form, ofAccount(code));
  const { message } = App.useApp();
  const once = useKey();
  const act = (preview: boolean, reason: string) => {
    if (!entry) return answer(cancelReminder({ path: { number: reminder }, query: { preview }, body: { reason } }));
    const request = { query: { preview }, body: { reason }, headers: once };
    return answer(
      entry.openingDocument
        ? reverseOpeningDocument({ ...request, path: { id: entry.openingDocument } })
        : reversePosting({ ...request, path: { entry: entry.entryId } }),
    );
  };
  const { effect, problem: wrong } = usePreview('once', () => act(true, 'preview'));
  const name = entry ? `${kindNames[entry.kind]} ${entry.number ?? ''}` : `Reminder ${reminder}`;
  const post = async (reason: string) => {
    if (!(await sending.send(() => act(false, reason)))) return;
    void message.success(`${name} is ${entry ? 'reversed' : 'cancelled'}.`);
    onClose();
  };
  return (
    <DialogForm
      title={`${entry ? 'Reverse' : 'Cancel'} ${name}`}
      width={820}
      form={form}
      initial={{ reason: '' }}
      action={entry ? 'Reverse it' : 'Cancel the reminder'}
      disabled={!effect}
      beside=""
      sending={{ busy: sending.busy, problem: sending.problem ?? wrong }}
      onSend={({ reason }) => void post(reason)}
      onClose={onClose}
    >
      <TextField name="reason" label="Reason" disabled={!!wrong} />
      {effect && <EffectPanel effect={effect} />}
    </DialogForm>
  );
}
