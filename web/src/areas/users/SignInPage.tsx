import { useQueryClient } from '@tanstack/react-query';
import { Button, Form, Input } from 'antd';
import { useState } from 'react';
import { makeFirstAdministrator, signIn, type OfferedUser, type SessionView } from '../../api/generated';
import { answer, asProblem, type Problem } from '../../api/problem';
import { FocusedInput } from '../../shell/FocusedInput';
import { Mark } from '../../shell/Mark';
import { ProblemNote } from '../accounts/ProblemNote';
import { useSend } from '../accounts/useSend';
import { bound } from './authority';
import { SignInForm } from './SignInForm';
import { roleNames, type Role } from './useSession';

/** Where everybody comes in: by name and password, in the demo as one of its people, at first by the printed code. */
export function SignInPage({ session }: { session: SessionView }) {
  const client = useQueryClient();
  const done = (s: SessionView) => {
    client.setQueryData(['session'], s);
    void client.invalidateQueries();
  };
  return (
    <main className="sign-in">
      <h1>
        <Mark /> Kite Line
      </h1>
      <div className="sign-in-cards">
        <section className="card pad" aria-label="Sign in">
          {session.firstUse ? (
            <>
              <h2>First administrator</h2>
              <p className="muted">
                There is no user yet. The program printed a code when it started; with it you become the first
                administrator.
              </p>
              <FirstForm onDone={done} />
            </>
          ) : (
            <>
              <h2 style={{ marginBottom: 10 }}>Sign in</h2>
              <SignInForm onDone={done} />
            </>
          )}
        </section>
        {session.offered.length > 0 && (
          <Offered people={session.offered} currency={session.baseCurrency} onDone={done} />
        )}
      </div>
    </main>
  );
}

function Offered({
  people,
  currency,
  onDone,
}: {
  people: OfferedUser[];
  currency: string;
  onDone: (s: SessionView) => void;
}) {
  const [problem, setProblem] = useState<Problem | null>(null);
  const as = async (person: OfferedUser) => {
    try {
      onDone(await answer(signIn({ body: { name: person.name, password: person.password } })));
    } catch (e) {
      setProblem(asProblem(e));
    }
  };
  return (
    <section className="card pad" aria-label="People of the demo">
      <h2>People of the demo</h2>
      <p className="muted">All made up. Choose one to sign in as; the password of all is “{people[0].password}”.</p>
      <ProblemNote problem={problem} />
      <table className="grid">
        <thead>
          <tr>
            <th>Person</th>
            <th>Role</th>
            <th>May grant limits</th>
            <th>May release over limit</th>
          </tr>
        </thead>
        <tbody>
          {people.map((p) => (
            <tr key={p.name}>
              <td>
                <button type="button" className="linkish strong" onClick={() => void as(p)}>
                  {p.fullName}
                </button>{' '}
                <span className="muted small">{p.name}</span>
              </td>
              <td>{roleNames[p.role as Role]}</td>
              <td>{bound(p.authority.limit, currency)}</td>
              <td>{bound(p.authority.release, currency)}</td>
            </tr>
          ))}
        </tbody>
      </table>
    </section>
  );
}

interface First {
  code: string;
  name: string;
  fullName: string;
  password: string;
}

function FirstForm({ onDone }: { onDone: (s: SessionView) => void }) {
  const [form] = Form.useForm<First>();
  const { send, busy, problem } = useSend(form);
  const go = async (body: First) => {
    const session = await send(() => answer(makeFirstAdministrator({ body })));
    if (session) onDone(session);
  };
  return (
    <Form
      form={form}
      layout="vertical"
      initialValues={{ code: '', name: '', fullName: '', password: '' }}
      onFinish={(v) => void go(v)}
    >
      <ProblemNote problem={problem} />
      <Form.Item name="code" label="Code">
        <FocusedInput autoComplete="off" placeholder="ABCD-EFGH-JKLM" />
      </Form.Item>
      <Form.Item name="name" label="Name to sign in with">
        <Input autoComplete="username" />
      </Form.Item>
      <Form.Item name="fullName" label="Full name, as it stands in the books">
        <Input autoComplete="name" />
      </Form.Item>
      <Form.Item name="password" label="Password, at least 10 characters">
        <Input.Password autoComplete="new-password" />
      </Form.Item>
      <Button type="primary" htmlType="submit" loading={busy}>
        Become administrator
      </Button>
    </Form>
  );
}
