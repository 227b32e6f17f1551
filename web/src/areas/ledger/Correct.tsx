import { Alert, App, Form } from 'antd';
import { ofAccount } from '../../api/changes';
import { grantMissedDiscount, takeWriteOffBack, undoAllocation, type SettledByView } from '../../api/generated';
import { answer } from '../../api/problem';
import { DialogForm } from '../../form/DialogForm';
import { TextField } from '../../form/fields';
import { useKey } from '../../form/useKey';
import { usePreview } from '../../form/usePreview';
import { useSend } from '../../form/useSend';
import { EffectPanel } from './EffectPanel';

/** What is put right of one link. */
export interface Correction {
  kind: 'undo' | 'writeOffBack' | 'discount';
  link: SettledByView;
  /** The discount that is given, by its deadline. */
  step?: string;
}

const words = {
  undo: {
    title: (l: SettledByView) => `Undo what ${l.credit} settles of ${l.debit}`,
    note: 'The item is open again, and what it used of the credit is on account. The bank is left alone.',
    action: 'Undo it',
    done: 'It is undone.',
  },
  writeOffBack: {
    title: (l: SettledByView) => `Take the write-off on ${l.debit} back`,
    note: 'What was written off is open again.',
    action: 'Take it back',
    done: 'The write-off is taken back.',
  },
  discount: {
    title: (l: SettledByView) => `Give the discount on ${l.debit}`,
    note: 'It is given on the value date of the payment. The cash that it frees stays on account; the bank is left alone.',
    action: 'Give the discount',
    done: 'The discount is given.',
  },
};

/** Puts one link right, with its effect shown before and the reason. */
export function Correct({ correction, code, onClose }: { correction: Correction; code: string; onClose: () => void }) {
  const [form] = Form.useForm<{ reason: string }>();
  const sending = useSend(form, ofAccount(code));
  const { message } = App.useApp();
  const once = useKey();
  const said = words[correction.kind];
  const path = { id: correction.link.id };
  const act = (preview: boolean, reason: string) => {
    const request = { path, query: { preview }, headers: once };
    return answer(
      correction.kind === 'undo'
        ? undoAllocation({ ...request, body: { reason } })
        : correction.kind === 'writeOffBack'
          ? takeWriteOffBack({ ...request, body: { reason } })
          : grantMissedDiscount({ ...request, body: { reason, step: correction.step } }),
    );
  };
  const { effect, problem: wrong } = usePreview('once', () => act(true, 'preview'));
  const post = async (reason: string) => {
    if (!(await sending.send(() => act(false, reason)))) return;
    void message.success(`${said.done} It can be reversed from the ledger.`);
    onClose();
  };
  return (
    <DialogForm
      title={said.title(correction.link)}
      width={820}
      form={form}
      initial={{ reason: '' }}
      action={said.action}
      disabled={!effect}
      beside={said.note}
      sending={sending}
      onSend={({ reason }) => void post(reason)}
      onClose={onClose}
    >
      {wrong && <Alert style={{ marginBottom: 10 }} type="error" showIcon title={wrong.detail} />}
      <TextField name="reason" label="Reason" disabled={!!wrong} />
      {effect && <EffectPanel effect={effect} />}
    </DialogForm>
  );
}
