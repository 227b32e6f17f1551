import { Form } from 'antd';
import { ofRuns } from '../../api/changes';
import { changeRunAccount, type RunAccountView, type RunView } from '../../api/generated';
import { answer } from '../../api/problem';
import { DialogForm } from '../../form/DialogForm';
import { AmountField, TextField } from '../../form/fields';
import { useKey } from '../../form/useKey';
import { useSend } from '../../form/useSend';

/** Cuts the charge of one item; what is cut off is given up for good. */
export function CutItem({
  run,
  account,
  item,
  onClose,
}: {
  run: RunView;
  account: RunAccountView;
  item: number;
  onClose: () => void;
}) {
  const [form] = Form.useForm<{ amount: string; reason: string }>();
  const sending = useSend(form, ofRuns);
  const once = useKey();
  const document = account.items.find((i) => i.item === item)?.document ?? '';
  const cut = async (typed: { amount: string; reason: string }) => {
    const done = await sending.send(() =>
      answer(
        changeRunAccount({
          path: { id: run.id, code: account.account },
          body: { kind: 'cutItem', item, ...typed },
          headers: once,
        }),
      ),
    );
    if (done) onClose();
  };
  return (
    <DialogForm
      title={`Cut the charge on ${document}`}
      form={form}
      initial={{ amount: '', reason: '' }}
      action="Cut"
      sending={sending}
      onSend={(v) => void cut(v)}
      onClose={onClose}
    >
      <AmountField
        name="amount"
        label="Charge, without tax"
        extra="0 waives it. What is cut off is not charged later, and counts as written off by you."
      />
      <TextField name="reason" label="Reason" />
    </DialogForm>
  );
}
