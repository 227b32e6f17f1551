import { App, Form, Input } from 'antd';
import { ofUsers } from '../../api/changes';
import { addUser, changeUser, setPassword, type Role, type UserView } from '../../api/generated';
import { answer } from '../../api/problem';
import { DialogForm } from '../../form/DialogForm';
import { AmountField, CheckField, ChoiceField, TextField } from '../../form/fields';
import { choices, plain } from '../../form/options';
import { useSend } from '../../form/useSend';
import { roleNames } from '../../words/people';
import { authorityParts } from './authority';

interface Typed {
  name: string;
  fullName: string;
  role: Role;
  authority: Record<string, string>;
  active: boolean;
  password: string;
  reason: string;
}

const asTyped = (user: UserView | null): Typed => ({
  name: user?.name ?? '',
  fullName: user?.fullName ?? '',
  role: user?.role ?? 'controller',
  authority: Object.fromEntries(authorityParts.map(([part]) => [part, user ? (user.authority[part] ?? '') : '0'])),
  active: user?.active ?? true,
  password: '',
  reason: '',
});

/** Adds a user, or changes one: the role, how far the user may go alone, and whether he or she may sign in. */
export function UserForm({
  user,
  currency,
  onClose,
}: {
  user: UserView | null;
  currency: string;
  onClose: () => void;
}) {
  const [form] = Form.useForm<Typed>();
  const sending = useSend(form, ofUsers);
  const { message } = App.useApp();
  const save = async (v: Typed) => {
    const authority = Object.fromEntries(Object.entries(v.authority).map(([k, a]) => [k, plain(a) || null]));
    const body = { ...v, authority };
    const stored = await sending.send(async () => {
      if (!user) return answer(addUser({ body }));
      const changed = await answer(
        changeUser({ path: { id: user.id }, headers: { 'If-Match': `"${user.version}"` }, body }),
      );
      if (v.password) await answer(setPassword({ path: { id: user.id }, body: { password: v.password } }));
      return changed;
    });
    if (!stored) return;
    void message.success(`${stored.fullName} is stored.`);
    onClose();
  };
  return (
    <DialogForm
      title={user ? user.fullName : 'A new user'}
      width={560}
      form={form}
      initial={asTyped(user)}
      action={user ? 'Save' : 'Add the user'}
      sending={sending}
      onSend={(v) => void save(v)}
      onClose={onClose}
    >
      <div className="ties">
        <TextField name="fullName" label="Full name, as it stands in the books" />
        <TextField name="name" label="Signs in as" disabled={user !== null} />
      </div>
      <ChoiceField name="role" label="Role" options={choices(roleNames)} />
      <p className="muted small" style={{ margin: '0 0 6px' }}>
        How far the user may go alone, in {currency}. 0 is not at all; empty is without bound.
      </p>
      <div className="ties">
        {authorityParts.map(([part, label]) => (
          <AmountField key={part} name={['authority', part]} label={label} />
        ))}
      </div>
      <div className="ties">
        <Form.Item name="password" label={user ? 'New password, empty to keep it' : 'Password, at least 12 characters'}>
          <Input.Password autoComplete="new-password" />
        </Form.Item>
        <TextField name="reason" label="Reason" />
      </div>
      {user && <CheckField name="active">May sign in</CheckField>}
    </DialogForm>
  );
}
