import { App, Button, DatePicker, Form, Input, Modal } from 'antd';
import dayjs, { type Dayjs } from 'dayjs';
import { useState } from 'react';
import { postInvoice, type EffectView, type OrderRow } from '../../api/generated';
import { answer } from '../../api/problem';
import { iso } from '../../format/dates';
import { money } from '../../format/money';
import { FocusedInput } from '../../shell/FocusedInput';
import { EffectPanel } from '../accounts/actions/Journal';
import { ProblemNote } from '../accounts/ProblemNote';
import { useSend } from '../accounts/useSend';
import { plain } from './states';

interface Typed {
  net: string;
  tax: string;
  date: Dayjs;
  number: string;
}

/** Makes an invoice of an order, or of a part of it; the journal is shown before it is posted. */
export function InvoiceOrder({ order, today, onClose }: { order: OrderRow; today: string; onClose: () => void }) {
  const [form] = Form.useForm<Typed>();
  const { send, busy, problem } = useSend(form);
  const { message } = App.useApp();
  const [effect, setEffect] = useState<EffectView | null>(null);
  const [key] = useState(() => crypto.randomUUID());
  const post = async (preview: boolean) => {
    const v = form.getFieldsValue(true) as Typed;
    const done = await send(() =>
      answer(
        postInvoice({
          path: { code: order.account },
          query: { preview },
          headers: preview ? undefined : { 'Idempotency-Key': key },
          body: {
            net: plain(v.net),
            tax: plain(v.tax),
            date: iso(v.date),
            number: v.number,
            orderId: order.id,
            orderSeq: order.seq,
            reference: order.number,
          },
        }),
      ),
    );
    if (!done) return;
    if (preview) setEffect(done);
    else {
      void message.success(`Invoice ${done.number ?? ''} is posted.`);
      onClose();
    }
  };
  return (
    <Modal open title={`Invoice of ${order.number}, ${order.accountName}`} footer={null} onCancel={onClose} width={640}>
      <p className="muted" style={{ marginTop: 0 }}>
        {money(order.notInvoiced)} {order.currency} is approved and not invoiced.
      </p>
      <Form
        form={form}
        layout="vertical"
        initialValues={{ net: '', tax: '', date: dayjs(today), number: '' }}
        onValuesChange={() => setEffect(null)}
        onFinish={() => void post(effect === null)}
      >
        <ProblemNote problem={problem} />
        <div className="ties">
          <Form.Item name="net" label="Net">
            <FocusedInput inputMode="decimal" className="figure" autoComplete="off" />
          </Form.Item>
          <Form.Item name="tax" label="Tax">
            <Input inputMode="decimal" className="figure" autoComplete="off" />
          </Form.Item>
          <Form.Item name="date" label="Invoice date">
            <DatePicker format="D MMM YYYY" allowClear={false} style={{ width: '100%' }} />
          </Form.Item>
          <Form.Item name="number" label="Number, empty for the next">
            <Input autoComplete="off" />
          </Form.Item>
        </div>
        {effect && <EffectPanel effect={effect} />}
        <Button type="primary" htmlType="submit" loading={busy} style={{ marginTop: 10 }}>
          {effect ? 'Post the invoice' : 'Show the posting'}
        </Button>
      </Form>
    </Modal>
  );
}
