import { Button, Form, Input } from 'antd';
import { ofNothing } from '../../api/changes';
import { signIn, type SessionView } from '../../api/generated';
import { answer } from '../../api/problem';
import { ProblemNote } from '../../form/ProblemNote';
import { useSend } from '../../form/useSend';

/** Name and password. */
export function SignInForm({ name = '', onDone }: { name?: string; onDone: (session: SessionView) => void }) {
  const [form] = Form.useForm<{ name: string; password: string }>();
  const { send, busy, problem } = useSend(form, ofNothing);
  const go = async (v: { name: string; password: string }) => {
    const session = await send(() => answer(signIn({ body: v })));
    if (session) onDone(session);
  };
  return (
    <Form form={form} layout="vertical" initialValues={{ name, password: '' }} onFinish={(v) => void go(v)}>
      <ProblemNote problem={problem} />
      <Form.Item name="name" label="Name">
        <Input autoComplete="username" autoFocus={name === ''} />
      </Form.Item>
      <Form.Item name="password" label="Password">
        <Input.Password autoComplete="current-password" autoFocus={name !== ''} />
      </Form.Item>
      <Button type="primary" htmlType="submit" loading={busy}>
        Sign in
      </Button>
    </Form>
  );
}
