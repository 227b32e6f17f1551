import { App, Button, DatePicker, Form, Input, Modal, Segmented } from 'antd';
import dayjs, { type Dayjs } from 'dayjs';
import { useState } from 'react';
import { changeLimit, grantUplift } from '../../../api/generated';
import { answer } from '../../../api/problem';
import { iso } from '../../../format/dates';
import { money } from '../../../format/money';
import { ProblemNote } from '../ProblemNote';
import { useSend } from '../useSend';
import type { ActionProps } from './TakePayment';
import { FocusedInput } from '../../../shell/FocusedInput';

/** A new standing limit from a day on, or an uplift with an end. */
export function ChangeLimit({ page, today, onClose }: ActionProps) {
  const [form] = Form.useForm();
  const { send, busy, problem } = useSend(form);
  const { message } = App.useApp();
  const [uplift, setUplift] = useState(false);
  const path = { code: page.account.code };
  const save = async (v: { amount: string; from: Dayjs; until?: Dayjs; reason: string }) => {
    const body = { amount: v.amount.replaceAll(',', '').trim(), from: iso(v.from), until: iso(v.until), reason: v.reason };
    const done = await send(() => (uplift ? answer(grantUplift({ path, body })) : answer(changeLimit({ path, body }))));
    if (!done) return;
    void message.success(uplift ? 'The uplift is set.' : 'The limit is changed.');
    onClose();
  };
  return (
    <Modal title={`Limit of ${page.account.name}`} open onCancel={onClose} footer={null} width={480}>
      <ProblemNote problem={problem} />
      <p className="muted" style={{ marginTop: 0 }}>
        Standing limit {money(page.position.limit)} {page.position.currency}, exposure {money(page.position.exposure)}.
      </p>
      <Segmented
        value={uplift ? 'uplift' : 'standing'}
        onChange={(v) => setUplift(v === 'uplift')}
        options={[
          { value: 'standing', label: 'Standing limit' },
          { value: 'uplift', label: 'Uplift for a time' },
        ]}
        style={{ marginBottom: 14 }}
      />
      <Form
        form={form}
        layout="vertical"
        onFinish={(v) => void save(v as Parameters<typeof save>[0])}
        initialValues={{ amount: '', from: dayjs(today), until: dayjs(today).add(30, 'day'), reason: '' }}
      >
        <Form.Item name="amount" label={uplift ? 'Added to the limit' : 'New limit'}>
          <FocusedInput inputMode="decimal" className="figure" autoComplete="off" />
        </Form.Item>
        <div className="ties">
          <Form.Item name="from" label="From">
            <DatePicker format="D MMM YYYY" allowClear={false} style={{ width: '100%' }} />
          </Form.Item>
          {uplift && (
            <Form.Item name="until" label="Until, that day included">
              <DatePicker format="D MMM YYYY" allowClear={false} style={{ width: '100%' }} />
            </Form.Item>
          )}
        </div>
        <Form.Item name="reason" label="Reason">
          <Input />
        </Form.Item>
        <Button type="primary" htmlType="submit" loading={busy}>
          {uplift ? 'Grant the uplift' : 'Change the limit'}
        </Button>
      </Form>
    </Modal>
  );
}
