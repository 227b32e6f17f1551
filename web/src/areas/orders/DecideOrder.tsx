import { App, Button, DatePicker, Form, Input, Modal } from 'antd';
import { type Dayjs } from 'dayjs';
import { askDeposit, changeOrder, closeOrder, declineOrder, releaseOrder, type OrderRow } from '../../api/generated';
import { answer } from '../../api/problem';
import { iso } from '../../format/dates';
import { money } from '../../format/money';
import { FocusedInput } from '../../shell/FocusedInput';
import { ProblemNote } from '../accounts/ProblemNote';
import { useSend } from '../accounts/useSend';
import { plain } from './states';

export type Deed = 'release' | 'decline' | 'deposit' | 'close' | 'change';

const titles: Record<Deed, string> = {
  release: 'Release',
  decline: 'Decline',
  deposit: 'Ask for a deposit',
  close: 'Close',
  change: 'Change the amount',
};

/** One decision on an order, with its reason. */
export function DecideOrder({ order, deed, onClose }: { order: OrderRow; deed: Deed; onClose: () => void }) {
  const [form] = Form.useForm<{ amount: string; until?: Dayjs | null; reason: string }>();
  const { send, busy, problem } = useSend(form);
  const { message } = App.useApp();
  const act = async (v: { amount?: string; until?: Dayjs | null; reason: string }) => {
    const path = { id: order.id };
    const headers = { 'If-Match': `"${order.seq}"` };
    const body = { amount: plain(v.amount), until: v.until ? iso(v.until) : '', reason: v.reason };
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
      ? `Amount, empty for all that is left (${money(order.held)} is held)`
      : deed === 'deposit'
        ? 'Deposit'
        : 'New total with tax';
  return (
    <Modal open title={`${titles[deed]}: ${order.number} of ${order.accountName}`} footer={null} onCancel={onClose} width={480}>
      <Form
        form={form}
        layout="vertical"
        initialValues={{ amount: deed === 'change' ? order.total : '', until: null, reason: '' }}
        onFinish={(v) => void act(v)}
      >
        <ProblemNote problem={problem} />
        {withAmount && (
          <Form.Item name="amount" label={label}>
            <Input inputMode="decimal" className="figure" autoComplete="off" />
          </Form.Item>
        )}
        {deed === 'release' && (
          <Form.Item name="until" label="Holds until, empty for no end">
            <DatePicker format="D MMM YYYY" style={{ width: '100%' }} />
          </Form.Item>
        )}
        <Form.Item name="reason" label="Reason">
          <FocusedInput autoComplete="off" />
        </Form.Item>
        <Button type="primary" htmlType="submit" loading={busy}>
          {titles[deed]}
        </Button>
      </Form>
    </Modal>
  );
}
