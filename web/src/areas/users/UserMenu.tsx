import { useQueryClient } from '@tanstack/react-query';
import { App, Button, Dropdown, Form, Input, Modal } from 'antd';
import { useState } from 'react';
import { changeOwnPassword, signOut } from '../../api/generated';
import { answer, asProblem } from '../../api/problem';
import { ProblemNote } from '../accounts/ProblemNote';
import { useSend } from '../accounts/useSend';
import { authorityParts, bound } from './authority';
import { roleNames, useSession, type Role } from './useSession';

/** Who is signed in, how far he or she may go, and the way out. */
export function UserMenu() {
  const { data } = useSession();
  const client = useQueryClient();
  const { message, modal } = App.useApp();
  const [changing, setChanging] = useState(false);
  const user = data?.user;
  if (!data || !user) return null;
  const out = async () => {
    try {
      client.setQueryData(['session'], await answer(signOut()));
      // Nothing of what was seen stays for the next one at this desk.
      client.removeQueries({ predicate: (query) => query.queryKey[0] !== 'session' });
    } catch (e) {
      void message.error(asProblem(e).detail);
    }
  };
  const authority = () =>
    void modal.info({
      title: `${user.fullName}, ${roleNames[user.role as Role].toLowerCase()}`,
      icon: null,
      content: (
        <table className="lines">
          <tbody>
            {authorityParts.map(([part, name]) => (
              <tr key={part}>
                <th scope="row">{name}</th>
                <td>{bound(user.authority[part], data.baseCurrency)}</td>
              </tr>
            ))}
          </tbody>
        </table>
      ),
    });
  return (
    <>
      <Dropdown
        trigger={['click']}
        menu={{
          items: [
            { key: 'authority', label: 'What I may decide', onClick: authority },
            { key: 'password', label: 'Change my password', onClick: () => setChanging(true) },
            { type: 'divider' },
            { key: 'out', label: 'Sign out', onClick: () => void out() },
          ],
        }}
      >
        <button type="button" className="chip" aria-label={`Signed in as ${user.fullName}`}>
          {user.fullName}
        </button>
      </Dropdown>
      {changing && <OwnPassword onClose={() => setChanging(false)} />}
    </>
  );
}

function OwnPassword({ onClose }: { onClose: () => void }) {
  const [form] = Form.useForm<{ former: string; password: string }>();
  const { send, busy, problem } = useSend(form);
  const { message } = App.useApp();
  const save = async (body: { former: string; password: string }) => {
    if (!(await send(() => answer(changeOwnPassword({ body }))))) return;
    void message.success('Your password is changed; your other sessions have ended.');
    onClose();
  };
  return (
    <Modal open title="Change my password" footer={null} onCancel={onClose} width={420}>
      <Form form={form} layout="vertical" initialValues={{ former: '', password: '' }} onFinish={(v) => void save(v)}>
        <ProblemNote problem={problem} />
        <Form.Item name="former" label="Present password">
          <Input.Password autoComplete="current-password" autoFocus />
        </Form.Item>
        <Form.Item name="password" label="New password, at least 10 characters">
          <Input.Password autoComplete="new-password" />
        </Form.Item>
        <Button type="primary" htmlType="submit" loading={busy}>
          Change the password
        </Button>
      </Form>
    </Modal>
  );
}
