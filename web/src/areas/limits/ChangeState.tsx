import { App, Button, DatePicker, Form, Modal, Radio } from 'antd';
import dayjs, { type Dayjs } from 'dayjs';
import { changeState } from '../../../api/generated';
import { answer } from '../../../api/problem';
import { iso } from '../../../format/dates';
import { ProblemNote } from '../ProblemNote';
import { useSend } from '../useSend';
import type { ActionProps } from './TakePayment';
import { FocusedInput } from '../../../shell/FocusedInput';

export function ChangeState({ page, today, onClose }: ActionProps) {
  const [form] = Form.useForm();
  const { send, busy, problem } = useSend(form);
  const { message } = App.useApp();
  const save = async (v: { state: string; from: Dayjs; reason: string }) => {
    const done = await send(() =>
      answer(
        changeState({
          path: { code: page.account.code },
          body: { state: v.state, from: iso(v.from), reason: v.reason },
        }),
      ),
    );
    if (!done) return;
    void message.success('The state is changed.');
    onClose();
  };
  return (
    <Modal title={`State of ${page.account.name}`} open onCancel={onClose} footer={null} width={480}>
      <ProblemNote problem={problem} />
      <Form
        form={form}
        layout="vertical"
        onFinish={(v) => void save(v as Parameters<typeof save>[0])}
        initialValues={{ state: page.position.state, from: dayjs(today), reason: '' }}
      >
        <Form.Item name="state" label="State">
          <Radio.Group
            options={[
              { value: 'open', label: 'Open: supplied as usual' },
              { value: 'watch', label: 'Watch: every check is shown' },
              { value: 'stop', label: 'Stop: no new supply' },
            ]}
            style={{ display: 'grid', gap: 6 }}
          />
        </Form.Item>
        <Form.Item name="from" label="From">
          <DatePicker format="D MMM YYYY" allowClear={false} />
        </Form.Item>
        <Form.Item name="reason" label="Reason">
          <FocusedInput />
        </Form.Item>
        <Button type="primary" htmlType="submit" loading={busy}>
          Change the state
        </Button>
      </Form>
    </Modal>
  );
}
