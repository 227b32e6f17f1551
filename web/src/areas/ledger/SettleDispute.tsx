import { Form } from 'antd';
import { ofAccount } from '../../api/changes';
import { settleDispute, type DisputeView } from '../../api/generated';
import { answer } from '../../api/problem';
import { DialogForm } from '../../form/DialogForm';
import { CheckField, TextField } from '../../form/fields';
import { useKey } from '../../form/useKey';
import { useSend } from '../../form/useSend';

interface Typed {
  outcome: string;
  againstCustomer: boolean;
}

/** Ends a dispute with what came of it. */
export function SettleDispute({ code, dispute, onClose }: { code: string; dispute: DisputeView; onClose: () => void }) {
  const [form] = Form.useForm<Typed>();
  const sending = useSend(form, ofAccount(code));
  const once = useKey();
  const settle = async (body: Typed) => {
    const done = await sending.send(() =>
      answer(settleDispute({ path: { code, id: dispute.id }, body, headers: once })),
    );
    if (done) onClose();
  };
  return (
    <DialogForm
      title={`Settle the dispute of ${dispute.document}`}
      form={form}
      initial={{ outcome: '', againstCustomer: false }}
      action="Settle"
      sending={sending}
      onSend={(v) => void settle(v)}
      onClose={onClose}
    >
      <TextField name="outcome" label="Outcome" />
      <CheckField
        name="againstCustomer"
        extra="Where the policy holds interest during a dispute and charges it afterwards, the next charge brings it."
      >
        The customer owes what was disputed
      </CheckField>
    </DialogForm>
  );
}
