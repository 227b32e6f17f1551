import { useQuery } from '@tanstack/react-query';
import { Alert, App, Button, Checkbox, Form, Input, Modal, Select } from 'antd';
import { useState } from 'react';
import {
  addUser,
  changeUser,
  getUserChanges,
  listKeys,
  listUsers,
  makeKey,
  revokeKey,
  setPassword,
  type KeyView,
  type UserView,
} from '../../api/generated';
import { answer, asProblem } from '../../api/problem';
import { useCompany } from '../../api/queries';
import { day } from '../../format/dates';
import { ChangesTable } from '../../shell/ChangesTable';
import { FocusedInput } from '../../shell/FocusedInput';
import { ProblemNote } from '../accounts/ProblemNote';
import { useSend } from '../accounts/useSend';
import { authorityParts, bound } from './authority';
import { roleNames, roles, type Role } from './useSession';

const roleOptions = roles.map((value) => ({ value, label: roleNames[value] }));

/** Who may sign in and how far each may go; and the keys of other programs. */
export function UsersPage() {
  const users = useQuery({ queryKey: ['users'], queryFn: () => answer(listUsers()) });
  const keys = useQuery({ queryKey: ['keys'], queryFn: () => answer(listKeys()) });
  const changes = useQuery({ queryKey: ['user-changes'], queryFn: () => answer(getUserChanges()) });
  const company = useCompany();
  const [editing, setEditing] = useState<UserView | 'new' | null>(null);
  const [making, setMaking] = useState(false);
  const { message, modal } = App.useApp();
  if (users.isError)
    return (
      <Alert type="error" showIcon title={asProblem(users.error).title} description={asProblem(users.error).detail} />
    );
  const currency = company.data?.baseCurrency ?? '';
  const revoke = (key: KeyView) =>
    void modal.confirm({
      title: `Revoke the key ‘${key.name}’?`,
      content: 'The program that uses it is refused from now on. What it did stays.',
      okText: 'Revoke',
      onOk: async () => {
        try {
          await answer(revokeKey({ path: { id: key.id } }));
          await keys.refetch();
          await changes.refetch();
        } catch (e) {
          void message.error(asProblem(e).detail);
        }
      },
    });
  return (
    <div style={{ display: 'grid', gap: 14 }}>
      <section className="card pad" aria-label="Users">
        <div className="row-between">
          <h2>Users</h2>
          <Button onClick={() => setEditing('new')}>Add a user</Button>
        </div>
        <table className="grid">
          <thead>
            <tr>
              <th>Name in the books</th>
              <th>Signs in as</th>
              <th>Role</th>
              <th>Limits</th>
              <th>Over limit</th>
              <th>Unearned discount</th>
              <th>Write-off</th>
            </tr>
          </thead>
          <tbody>
            {users.data?.map((u) => (
              <tr key={u.id} className={u.active ? '' : 'muted'}>
                <td>
                  <button type="button" className="linkish strong" onClick={() => setEditing(u)}>
                    {u.fullName}
                  </button>
                </td>
                <td>{u.active ? u.name : `${u.name}, may not sign in`}</td>
                <td>{roleNames[u.role as Role]}</td>
                {authorityParts.map(([part]) => (
                  <td key={part}>{bound(u.authority[part], currency)}</td>
                ))}
              </tr>
            ))}
          </tbody>
        </table>
      </section>
      <section className="card pad" aria-label="Keys of other programs">
        <div className="row-between">
          <h2>Keys of other programs</h2>
          <Button onClick={() => setMaking(true)}>Make a key</Button>
        </div>
        {keys.data?.length === 0 ? (
          <p className="muted">
            No other program calls yet. A key lets one ask, for instance, whether an order may go.
          </p>
        ) : (
          <table className="grid">
            <thead>
              <tr>
                <th>Key</th>
                <th>Role</th>
                <th>Made</th>
                <th>State</th>
                <td />
              </tr>
            </thead>
            <tbody>
              {keys.data?.map((k) => (
                <tr key={k.id}>
                  <td className="strong">{k.name}</td>
                  <td>{roleNames[k.role as Role]}</td>
                  <td>
                    {day(k.madeAt.slice(0, 10))} by {k.madeBy}
                  </td>
                  <td>{k.revokedAt ? `revoked ${day(k.revokedAt.slice(0, 10))} by ${k.revokedBy}` : 'in use'}</td>
                  <td className="figure">
                    {!k.revokedAt && (
                      <Button size="small" onClick={() => revoke(k)}>
                        Revoke
                      </Button>
                    )}
                  </td>
                </tr>
              ))}
            </tbody>
          </table>
        )}
      </section>
      <section className="card pad" aria-label="Changes">
        <h2>Changes</h2>
        <ChangesTable rows={changes.data ?? []} />
      </section>
      {editing && (
        <UserForm user={editing === 'new' ? null : editing} currency={currency} onClose={() => setEditing(null)} />
      )}
      {making && <KeyForm onClose={() => setMaking(false)} />}
    </div>
  );
}

interface Typed {
  name: string;
  fullName: string;
  role: string;
  authority: Record<string, string>;
  active: boolean;
  password: string;
  reason: string;
}

function UserForm({ user, currency, onClose }: { user: UserView | null; currency: string; onClose: () => void }) {
  const [form] = Form.useForm<Typed>();
  const { send, busy, problem } = useSend(form);
  const { message } = App.useApp();
  const save = async (v: Typed) => {
    const authority = Object.fromEntries(
      Object.entries(v.authority).map(([k, a]) => [k, a.replaceAll(',', '').trim() || null]),
    );
    const body = { ...v, authority };
    const stored = await send(async () => {
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
  const initial: Typed = {
    name: user?.name ?? '',
    fullName: user?.fullName ?? '',
    role: user?.role ?? 'controller',
    authority: Object.fromEntries(authorityParts.map(([part]) => [part, user ? (user.authority[part] ?? '') : '0'])),
    active: user?.active ?? true,
    password: '',
    reason: '',
  };
  return (
    <Modal open title={user ? user.fullName : 'A new user'} footer={null} onCancel={onClose} width={560}>
      <Form form={form} layout="vertical" initialValues={initial} onFinish={(v) => void save({ ...initial, ...v })}>
        <ProblemNote problem={problem} />
        <div className="ties">
          <Form.Item name="fullName" label="Full name, as it stands in the books">
            <FocusedInput autoComplete="off" />
          </Form.Item>
          <Form.Item name="name" label="Signs in as">
            <Input autoComplete="off" disabled={user !== null} />
          </Form.Item>
        </div>
        <Form.Item name="role" label="Role">
          <Select options={roleOptions} />
        </Form.Item>
        <p className="muted small" style={{ margin: '0 0 6px' }}>
          How far the user may go alone, in {currency}. 0 is not at all; empty is without bound.
        </p>
        <div className="ties">
          {authorityParts.map(([part, label]) => (
            <Form.Item key={part} name={['authority', part]} label={label}>
              <Input inputMode="decimal" className="figure" autoComplete="off" />
            </Form.Item>
          ))}
        </div>
        <div className="ties">
          <Form.Item
            name="password"
            label={user ? 'New password, empty to keep it' : 'Password, at least 10 characters'}
          >
            <Input.Password autoComplete="new-password" />
          </Form.Item>
          <Form.Item name="reason" label="Reason">
            <Input autoComplete="off" />
          </Form.Item>
        </div>
        {user && (
          <Form.Item name="active" valuePropName="checked">
            <Checkbox>May sign in</Checkbox>
          </Form.Item>
        )}
        <Button type="primary" htmlType="submit" loading={busy}>
          {user ? 'Save' : 'Add the user'}
        </Button>
      </Form>
    </Modal>
  );
}

function KeyForm({ onClose }: { onClose: () => void }) {
  const [form] = Form.useForm<{ name: string; role: string }>();
  const { send, busy, problem } = useSend(form);
  const [made, setMade] = useState<KeyView | null>(null);
  const make = async (body: { name: string; role: string }) => {
    const key = await send(() => answer(makeKey({ body })));
    if (key) setMade(key);
  };
  return (
    <Modal open title="A key for another program" footer={null} onCancel={onClose} width={560}>
      {made ? (
        <>
          <p>
            Give this to whoever looks after ‘{made.name}’. It is shown this once and not kept; it is sent as{' '}
            <code>Authorization: Bearer …</code>
          </p>
          <Input.TextArea readOnly autoSize value={made.secret ?? ''} aria-label="The key" />
        </>
      ) : (
        <Form form={form} layout="vertical" initialValues={{ name: '', role: 'viewer' }} onFinish={(v) => void make(v)}>
          <ProblemNote problem={problem} />
          <Form.Item name="name" label="Which program will use it">
            <FocusedInput autoComplete="off" />
          </Form.Item>
          <Form.Item name="role" label="Role">
            <Select options={roleOptions.filter((r) => r.value !== 'administrator')} />
          </Form.Item>
          <Button type="primary" htmlType="submit" loading={busy}>
            Make the key
          </Button>
        </Form>
      )}
    </Modal>
  );
}
