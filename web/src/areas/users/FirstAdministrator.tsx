import { Button, Form, Input } from 'antd';
import { ofNothing } from '../../api/changes';
import { makeFirstAdministrator, type SessionView } from '../../api/generated';
import { answer } from '../../api/problem';
import { TextField } from '../../form/fields';
import { ProblemNote } from '../../form/ProblemNote';
import { useSend } from '../../form/useSend';

interface Typed {
  code: string;
  name: string;
  fullName: string;
  password: string;
}

/** Makes the first administrator with the code that the program printed. */
export function FirstAdministrator({ onDone }: { onDone: (s: SessionView) => void }) {
  const [form] = Form.useForm<Typed>();
  const { send, busy, problem } = useSend(form, ofNothing);
  const go = async (body: Typed) => {
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
        <Input autoComplete="off" placeholder="ABCD-EFGH-JKLM" autoFocus />
      </Form.Item>
      <TextField name="name" label="Name to sign in with" autoComplete="username" />
      <TextField name="fullName" label="Full name, as it stands in the books" autoComplete="name" />
      <Form.Item name="password" label="Password, at least 12 characters">
        <Input.Password autoComplete="new-password" />
      </Form.Item>
      <Button type="primary" htmlType="submit" loading={busy}>
        Become administrator
      </Button>
    </Form>
  );
}
