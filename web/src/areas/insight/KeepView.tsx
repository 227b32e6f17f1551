import { Form } from 'antd';
import { ofViews } from '../../api/changes';
import { keepView } from '../../api/generated';
import { answer } from '../../api/problem';
import { DialogForm } from '../../form/DialogForm';
import { CheckField, TextField } from '../../form/fields';
import { useSend } from '../../form/useSend';

interface Typed {
  name: string;
  shared: boolean;
}

/** Gives what the board shows a name, so that it can be opened again. */
export function KeepView({ query, onClose }: { query: string; onClose: () => void }) {
  const [form] = Form.useForm<Typed>();
  const sending = useSend(form, ofViews);
  const save = async (v: Typed) => {
    if (await sending.send(() => answer(keepView({ body: { ...v, query } })))) onClose();
  };
  return (
    <DialogForm
      title="Keep what is shown"
      width={400}
      form={form}
      initial={{ name: '', shared: false }}
      action="Keep the view"
      sending={sending}
      onSend={(v) => void save(v)}
      onClose={onClose}
    >
      <TextField name="name" label="Name of the view" />
      <CheckField name="shared">Others see it too</CheckField>
    </DialogForm>
  );
}
