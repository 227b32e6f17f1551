import { App, Form, Input } from 'antd';
import { ofNothing } from '../../api/changes';
import { changeOwnPassword } from '../../api/generated';
import { answer } from '../../api/problem';
import { DialogForm } from '../../form/DialogForm';
import { useSend } from '../../form/useSend';

interface Typed {
  former: string;
  password: string;
}

/** Changes one's own password. */
export function OwnPassword({ onClose }: { onClose: () => void }) {
  const [form] = Form.useForm<Typed>();
  const sending = useSend(form, ofNothing);
  const { message } = App.useApp();
  const save = async (body: Typed) => {
    if (!(await sending.send(() => answer(changeOwnPassword({ body }))))) return;
    void message.success('Your password is changed; your other sessions have ended.');
    onClose();
  };
  return (
    <DialogForm
      title="Change my password"
      width={420}
      form={form}
      initial={{ former: '', password: '' }}
      action="Change the password"
      sending={sending}
      onSend={(v) => void save(v)}
      onClose={onClose}
    >
      <Form.Item name="former" label="Present password">
        <Input.Password autoComplete="current-password" />
      </Form.Item>
      <Form.Item name="password" label="New password, at least 12 characters">
        <Input.Password autoComplete="new-password" />
      </Form.Item>
    </DialogForm>
  );
}
