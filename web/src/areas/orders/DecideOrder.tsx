import { App, Button, DatePicker, Form, Input, Modal } from 'antd';
import { type Dayjs } from 'dayjs';
import { askDeposit, changeOrder, closeOrder, declineOrder, releaseOrder, type OrderRow } from '../../api/generated';
import { answer } from '../../api/problem';
import { iso } from '../../format/dates';
import { isZero, money } from '../../format/money';
import { FocusedInput } from '../../shell/FocusedInput';
import { ProblemNote } from '../accounts/ProblemNote';
import { usePreview } from '../../shell/usePreview';
import { useSend } from '../accounts/useSend';
import { BeforeAndAfter } from './BeforeAndAfter';
import { plain } from './states';

export type Deed = 'release' | 'decline' | 'deposit' | 'close' | 'change';

const titles: Record<Deed, string> = {
  release: 'Release',
  decline: 'Decline',
  deposit: 'Ask for a deposit',
  close: 'Close',
  change: 'Change the amount',
};

interface Typed {
  amount?: string;
  until?: Dayjs | null;
  reason: string;
}

/** One decision on an order, with its reason; what it does to the limit is shown before it is made. */
export function DecideOrder({ order, deed, onClose }: { order: OrderRow; deed: Deed; onClose: () => void }) {
  const [form] = Form.useForm<Typed>();
  const { send, busy, problem } = useSend(form);
  const { message } = App.useApp();
  const path = { id: order.id };
  const headers = { 'If-Match': `"${order.seq}"` };
  const asBody = (v: Typed) => ({ amount: plain(v.amount), until: v.until ? iso(v.until) : '', reason: v.reason });
  const initial: Typed = { amount: deed === 'change' ? order.total : '', until: null, reason: '' };
  const typed = asBody({ ...initial, ...(Form.useWatch([], form) as Typed | undefined) });
  const shows = deed === 'release' || (deed === 'change' && typed.amount !== '' && typed.amount !== order.total);
  const { effect, problem: wrong } = usePreview(shows ? JSON.stringify(typed) : null, () =>
    deed === 'release'
      ? answer(releaseOrder({ path, headers, query: { preview: true }, body: typed }))
      : answer(
          changeOrder({ path, headers, query: { preview: true }, body: { total: typed.amount, reason: typed.reason } }),
        ),
  );
  const act = async (v: Typed) => {
    const body = asBody(v);
    const done = await send(() =>
      deed === 'release'
        ? answer(releaseOrder({ path, headers, body }))
        : deed === 'deposit'
          ? answer(askDeposit({ path, headers, body }))
          : deed === 'change'
            ? answer(changeOrder({ path, headers, body: { total: body.amount, reason: v.reason } }))
            : deed === 'decline'
              ? answer(declineOrder({ path, headers, body }))
              : answer(closeOrder({ path, headers, body })),
    );
    if (!done) return;
    void message.success(`${order.number}: ${titles[deed].toLowerCase()} is stored.`);
    onClose();
  };
  const withAmount = deed === 'release' || deed === 'deposit' || deed === 'change';
  const label =
    deed === 'release'
      ? `Amount, empty for all that is held: ${money(order.held)}`
      : deed === 'deposit'
        ? 'Deposit'
        : 'New total with tax';
  return (
    <Modal
      open
      title={`${titles[deed]}: ${order.number} of ${order.accountName}`}
      footer={null}
      onCancel={onClose}
      width={560}
    >
      <Form form={form} layout="vertical" initialValues={initial} onFinish={(v) => void act(v)}>
        <ProblemNote problem={problem ?? (shows ? wrong : null)} />
        {withAmount && (
          <Form.Item name="amount" label={label}>
            <Input inputMode="decimal" className="figure" autoComplete="off" />
          </Form.Item>
        )}
        {deed === 'release' && (
          <Form.Item
            name="until"
            label="Holds until, empty for no end"
            extra={
              isZero(order.notInvoiced)
                ? undefined
                : 'The day then holds for all of the order that is not invoiced yet.'
            }
          >
            <DatePicker format="D MMM YYYY" style={{ width: '100%' }} />
          </Form.Item>
        )}
        <Form.Item name="reason" label="Reason">
          <FocusedInput autoComplete="off" />
        </Form.Item>
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
        <Button type="primary" htmlType="submit" loading={busy}>
          {titles[deed]}
        </Button>
      </Form>
    </Modal>
  );
}
