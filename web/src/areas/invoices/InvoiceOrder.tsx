import { App, Form } from 'antd';
import dayjs, { type Dayjs } from 'dayjs';
import { useState } from 'react';
import { ofAccount, ofNothing } from '../../api/changes';
import { postInvoice, type EffectView, type OrderRow } from '../../api/generated';
import { answer } from '../../api/problem';
import { DialogForm } from '../../form/DialogForm';
import { AmountField, DayField, TextField } from '../../form/fields';
import { plain } from '../../form/options';
import { useKey } from '../../form/useKey';
import { useSend } from '../../form/useSend';
import { iso } from '../../format/dates';
import { money } from '../../format/money';
import { EffectPanel } from '../ledger';

interface Typed {
  net: string;
  tax: string;
  date: Dayjs;
  number: string;
}

/** Makes an invoice of an order, or of a part of it; the journal is shown before it is posted. */
export function InvoiceOrder({ order, today, onClose }: { order: OrderRow; today: string; onClose: () => void }) {
  const [form] = Form.useForm<Typed>();
  const [effect, setEffect] = useState<EffectView | null>(null);
  const sending = useSend(form, effect ? ofAccount(order.account) : ofNothing);
  const { message } = App.useApp();
  const once = useKey();
  const post = async (v: Typed, preview: boolean) => {
    const done = await sending.send(() =>
      answer(
        postInvoice({
          path: { code: order.account },
          query: { preview },
          headers: preview ? undefined : once,
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
    if (preview) return setEffect(done);
    void message.success(`Invoice ${done.number ?? ''} is posted.`);
    onClose();
  };
  return (
    <DialogForm
      title={`Invoice of ${order.number}, ${order.accountName}`}
      width={640}
      form={form}
      initial={{ net: '', tax: '', date: dayjs(today), number: '' }}
      action={effect ? 'Post the invoice' : 'Show the posting'}
      beside=""
      sending={sending}
      onValuesChange={() => setEffect(null)}
      onSend={(v) => void post(v, effect === null)}
      onClose={onClose}
      above={
        <p className="muted" style={{ marginTop: 0 }}>
          {money(order.notInvoiced)} {order.currency} is approved and not invoiced.
        </p>
      }
    >
      <div className="ties">
        <AmountField name="net" label="Net" />
        <AmountField name="tax" label="Tax" />
        <DayField name="date" label="Invoice date" />
        <TextField name="number" label="Number" placeholder="the next one" />
      </div>
      {effect && <EffectPanel effect={effect} />}
    </DialogForm>
  );
}
