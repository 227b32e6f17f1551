import { useQuery } from '@tanstack/react-query';
import { App, AutoComplete, Button, DatePicker, Form, Input, Modal } from 'antd';
import dayjs, { type Dayjs } from 'dayjs';
import { useState } from 'react';
import { enterOrder, listAccounts, type OrderEffectView } from '../../api/generated';
import { answer } from '../../api/problem';
import { iso } from '../../format/dates';
import { FocusedInput } from '../../shell/FocusedInput';
import { ProblemNote } from '../accounts/ProblemNote';
import { useSend } from '../accounts/useSend';
import { BeforeAndAfter } from './BeforeAndAfter';
import { plain } from './states';

interface Typed {
  account: string;
  number: string;
  date: Dayjs;
  total: string;
  delivery?: Dayjs | null;
  reference: string;
  reason: string;
}

/** Checks an order before anything is promised, then takes it. */
export function EnterOrder({
  account,
  today,
  onClose,
  onDone,
}: {
  account?: string;
  today: string;
  onClose: () => void;
  onDone: (id: number) => void;
}) {
  const [form] = Form.useForm<Typed>();
  const { send, busy, problem } = useSend(form);
  const { message } = App.useApp();
  const [checked, setChecked] = useState<OrderEffectView | null>(null);
  const [key] = useState(() => crypto.randomUUID());
  const [text, setText] = useState('');
  const found = useQuery({
    queryKey: ['order-account', text],
    queryFn: () => answer(listAccounts({ query: { q: text, pageSize: 8 } })),
    enabled: account === undefined && text.length > 0,
    placeholderData: (d) => d,
  });
  const body = (v: Typed) => ({
    number: v.number,
    date: iso(v.date),
    total: plain(v.total),
    reference: v.reference,
    reason: v.reason,
    deliveries: v.delivery ? [{ on: iso(v.delivery), amount: plain(v.total) }] : [],
  });
  const path = (v: Typed) => ({ code: account ?? v.account.trim() });
  const check = async () => {
    const v = form.getFieldsValue(true) as Typed;
    const effect = await send(() => answer(enterOrder({ path: path(v), query: { preview: true }, body: body(v) })));
    setChecked(effect ?? null);
  };
  const take = async () => {
    const v = form.getFieldsValue(true) as Typed;
    const effect = await send(() =>
      answer(enterOrder({ path: path(v), body: body(v), headers: { 'Idempotency-Key': key } })),
    );
    if (!effect) return;
    void message.success(
      effect.order.state === 'held'
        ? `${effect.order.number} is taken and held.`
        : `${effect.order.number} is approved.`,
    );
    onDone(effect.order.id);
  };
  const asks = checked?.check?.answer === 'ask';
  return (
    <Modal open title="Check an order" footer={null} onCancel={onClose} width={640}>
      <Form
        form={form}
        layout="vertical"
        initialValues={{
          account: account ?? '',
          number: '',
          date: dayjs(today),
          total: '',
          delivery: null,
          reference: '',
          reason: '',
        }}
        onFinish={() => void (checked ? take() : check())}
        onValuesChange={(change) => 'reason' in change || setChecked(null)}
      >
        <ProblemNote problem={problem} />
        {account === undefined && (
          <Form.Item name="account" label="Account">
            <AutoComplete
              autoFocus
              placeholder="Name or code"
              onSearch={setText}
              options={(found.data?.items ?? []).map((a) => ({ value: a.code, label: `${a.code} · ${a.name}` }))}
            />
          </Form.Item>
        )}
        <div className="ties">
          <Form.Item name="number" label="Order number">
            {account === undefined ? <Input autoComplete="off" /> : <FocusedInput autoComplete="off" />}
          </Form.Item>
          <Form.Item name="total" label="Total with tax">
            <Input inputMode="decimal" className="figure" autoComplete="off" />
          </Form.Item>
          <Form.Item name="date" label="Date">
            <DatePicker format="D MMM YYYY" allowClear={false} style={{ width: '100%' }} />
          </Form.Item>
          <Form.Item name="delivery" label="Delivery">
            <DatePicker format="D MMM YYYY" style={{ width: '100%' }} />
          </Form.Item>
        </div>
        <Form.Item name="reference" label="Customer’s reference">
          <Input autoComplete="off" />
        </Form.Item>
        {checked && (
          <BeforeAndAfter
            effect={checked}
            testid="check"
            note={`Above: ${checked.order.accountName} as it stands. Below: with this order.`}
          >
            {asks && (
              <Form.Item name="reason" label="Reason for going on; without one the order is held">
                <Input autoComplete="off" />
              </Form.Item>
            )}
          </BeforeAndAfter>
        )}
        <Button type="primary" htmlType="submit" loading={busy}>
          {!checked ? 'Check' : checked.check?.answer === 'refuse' ? 'Take it, held' : 'Take the order'}
        </Button>
      </Form>
    </Modal>
  );
}
