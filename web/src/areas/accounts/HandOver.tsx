import { App, Form } from 'antd';
import { ofAccount } from '../../api/changes';
import { handOverAccount, type CollectionKind } from '../../api/generated';
import { answer } from '../../api/problem';
import { DialogForm } from '../../form/DialogForm';
import { ChoiceField, TextField } from '../../form/fields';
import { choices } from '../../form/options';
import { useKey } from '../../form/useKey';
import { useSend } from '../../form/useSend';
import { collectionKinds } from '../../words/runs';

interface Typed {
  kind: CollectionKind;
  to: string;
  reason: string;
}

/** Hands an account over to be collected by others. */
export function HandOver({ code, name, onClose }: { code: string; name: string; onClose: () => void }) {
  const [form] = Form.useForm<Typed>();
  const sending = useSend(form, ofAccount(code));
  const { message } = App.useApp();
  const once = useKey();
  const initial: Typed = { kind: 'agency', to: '', reason: '' };
  const hand = async (body: Typed) => {
    const done = await sending.send(() => answer(handOverAccount({ path: { code }, body, headers: once })));
    if (!done) return;
    void message.success(`${name} is with ${body.to}. Its dossier can be loaded beside.`);
    onClose();
  };
  return (
    <DialogForm
      title={`Hand ${name} over`}
      form={form}
      initial={initial}
      action="Hand over"
      beside="Runs leave it alone from today."
      sending={sending}
      onSend={(v) => void hand(v)}
      onClose={onClose}
    >
      <TextField name="to" label="To" placeholder="name of the agency or the lawyers" />
      <ChoiceField name="kind" label="Kind" options={choices(collectionKinds)} />
      <TextField name="reason" label="Reason" />
    </DialogForm>
  );
}
