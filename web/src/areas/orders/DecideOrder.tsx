import { App, Form } from 'antd';
import { type Dayjs } from 'dayjs';
import { ofAccount } from '../../api/changes';
import type { OrderRow } from '../../api/generated';
import { DialogForm } from '../../form/DialogForm';
import { AmountField, DayField, TextField } from '../../form/fields';
import { plain } from '../../form/options';
import { usePreview } from '../../form/usePreview';
import { useSend } from '../../form/useSend';
import { iso } from '../../format/dates';
import { isZero, money } from '../../format/money';
import { BeforeAndAfter } from './BeforeAndAfter';
import { decide, titles, type Deed } from './deeds';

interface Typed {
  amount: string;
  until: Dayjs | null;
  reason: string;
}

/** One decision on an order, with its reason; what it does to the limit is shown before it is made. */
export function DecideOrder({ order, deed, onClose }: { order: OrderRow; deed: Deed; onClose: () => void }) {
  const [form] = Form.useForm<Typed>();
  const sending = useSend(form, ofAccount(order.account));
  const { message } = App.useApp();
  const asBody = (v: Typed) => ({ amount: plain(v.amount), until: iso(v.until), reason: v.reason });
  const initial: Typed = { amount: deed === 'change' ? order.total : '', until: null, reason: '' };
  const typed = asBody({ ...initial, ...(Form.useWatch([], form) as Partial<Typed> | undefined) });
  const shows = deed === 'release' || (deed === 'change' && typed.amount !== '' && typed.amount !== order.total);
  const { effect, problem: wrong } = usePreview(shows ? JSON.stringify(typed) : null, () =>
    decide(deed, order, typed, true),
  );
  const act = async (v: Typed) => {
    if (!(await sending.send(() => decide(deed, order, asBody(v))))) return;
    void message.success(`${order.number}: ${titles[deed].toLowerCase()} is stored.`);
    onClose();
  };
  const amountLabels: Partial<Record<Deed, string>> = {
    release: `Amount, empty for all that is held: ${money(order.held)}`,
    deposit: 'Deposit',
    change: 'New total with tax',
  };
  return (
    <DialogForm
      title={`${titles[deed]}: ${order.number} of ${order.accountName}`}
      width={560}
      form={form}
      initial={initial}
      action={titles[deed]}
      sending={{ busy: sending.busy, problem: sending.problem ?? (shows ? wrong : null) }}
      onSend={(v) => void act(v)}
      onClose={onClose}
    >
      {amountLabels[deed] && <AmountField name="amount" label={amountLabels[deed]} />}
      {deed === 'release' && (
        <DayField
          name="until"
          label="Valid until"
          placeholder="no end"
          extra={
            isZero(order.notInvoiced) ? undefined : 'The day then holds for all of the order that is not invoiced yet.'
          }
        />
      )}
      <TextField name="reason" label="Reason" />
      {effect && (
        <BeforeAndAfter
          effect={effect}
          testid="effect"
          note={
            `Above: the account as it stands. Below: after this; ${money(effect.order.approved)} of ` +
            `${money(effect.order.total)} is then approved, ` +
            `${isZero(effect.order.held) ? 'nothing' : money(effect.order.held)} held.`
          }
        />
      )}
    </DialogForm>
  );
}
