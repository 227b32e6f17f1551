import { Form, Input } from 'antd';
import { useState } from 'react';
import { ofUsers } from '../../api/changes';
import { makeKey, type KeyView, type Role } from '../../api/generated';
import { answer } from '../../api/problem';
import { Dialog } from '../../form/Dialog';
import { DialogForm } from '../../form/DialogForm';
import { ChoiceField, TextField } from '../../form/fields';
import { choices } from '../../form/options';
import { useSend } from '../../form/useSend';
import { roleNames } from '../../words/people';

const title = 'A key for another program';

/** Makes a key for another program; it is shown once. */
export function KeyForm({ onClose }: { onClose: () => void }) {
  const [form] = Form.useForm<{ name: string; role: Role }>();
  const sending = useSend(form, ofUsers);
  const [made, setMade] = useState<KeyView | null>(null);
  const make = async (body: { name: string; role: Role }) =>
    setMade((await sending.send(() => answer(makeKey({ body })))) ?? null);
  if (made)
    return (
      <Dialog title={title} width={560} onClose={onClose}>
        <p>
          Give this to whoever looks after ‘{made.name}’. It is shown this once and not kept; it is sent as{' '}
          <code>Authorization: Bearer …</code>
        </p>
        <Input.TextArea readOnly autoSize value={made.secret ?? ''} aria-label="The key" />
      </Dialog>
    );
  return (
    <DialogForm
      title={title}
      width={560}
      form={form}
      initial={{ name: '', role: 'viewer' as Role }}
      action="Make the key"
      sending={sending}
      onSend={(v) => void make(v)}
      onClose={onClose}
    >
      <TextField name="name" label="Which program will use it" />
      <ChoiceField name="role" label="Role" options={choices(roleNames).filter((r) => r.value !== 'administrator')} />
    </DialogForm>
  );
}
