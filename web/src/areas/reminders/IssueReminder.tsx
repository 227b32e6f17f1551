import { useQuery } from '@tanstack/react-query';
import { Alert, App, Button, Form, Modal } from 'antd';
import { useMemo } from 'react';
import { issueReminder, proposeReminder } from '../../../api/generated';
import { answer } from '../../../api/problem';
import { day } from '../../../format/dates';
import { grouped, isZero, money } from '../../../format/money';
import { ProblemNote } from '../ProblemNote';
import { useSend } from '../useSend';
import { EffectPanel } from './Journal';
import type { ActionProps } from './TakePayment';
import { useFocusWhen } from './useFocusWhen';
import { usePreview } from '../../../shell/usePreview';

const treatments: Record<string, string> = { post: 'posted', show: 'shown only', none: '' };

/** The next reminder with its items, fee and effect; the very letter can be read before it is issued. */
export function IssueReminder({ page, today, onClose }: ActionProps) {
  const [form] = Form.useForm();
  const { send, busy, problem } = useSend(form);
  const { message } = App.useApp();
  const key = useMemo(() => crypto.randomUUID(), []);
  const code = page.account.code;
  const { data: next } = useQuery({
    queryKey: ['reminder', code],
    queryFn: () => answer(proposeReminder({ path: { code } })),
    staleTime: 0,
  });
  const body = { date: today };
  const { effect, settled } = usePreview(next && next.level > 0 ? JSON.stringify(body) : null, () =>
    answer(issueReminder({ path: { code }, query: { preview: true }, body })),
  );
  const go = useFocusWhen(!!effect);
  const issue = async () => {
    const done = await send(() => answer(issueReminder({ path: { code }, body, headers: { 'Idempotency-Key': key } })));
    if (!done) return;
    void message.success(`Reminder ${done.number ?? ''} is issued. Print its letter from Reminders.`);
    onClose();
  };
  return (
    <Modal
      title={`Next reminder for ${page.account.name}`}
      open
      onCancel={onClose}
      footer={null}
      width={860}
      style={{ top: 40 }}
    >
      <ProblemNote problem={problem} />
      {next?.leftOut && <Alert type="info" showIcon title={grouped(`No reminder goes out today. ${next.leftOut}`)} />}
      {next && next.level > 0 && (
        <Form form={form} onFinish={() => void issue()}>
          <p style={{ marginTop: 0 }}>
            <b>Level {next.level}</b>, to be paid by <b>{day(next.payBy)}</b>, asks for <b>{money(next.total)}</b>
            {next.setsState ? `; it sets the account to ${next.setsState}` : ''}. It goes out by{' '}
            {next.delivery === 'email' ? 'e-mail' : 'print'}.
          </p>
          <div
            className="card"
            style={{ maxHeight: 240, overflow: 'auto' }}
            role="region"
            aria-label="What the letter lists"
            tabIndex={0}
          >
            <table className="grid" aria-label="Items of the reminder">
              <thead>
                <tr>
                  <th>Item</th>
                  <th>Due</th>
                  <th className="figure">Days overdue</th>
                  <th className="figure">Level after</th>
                  <th className="figure">Open</th>
                </tr>
              </thead>
              <tbody>
                {next.items.map((i) => (
                  <tr key={i.itemId}>
                    <td className="strong">{i.document}</td>
                    <td>{day(i.due)}</td>
                    <td className="figure">{i.daysOverdue}</td>
                    <td className="figure">{i.level === 0 ? '–' : i.level}</td>
                    <td className="figure">{money(i.open)}</td>
                  </tr>
                ))}
                {!isZero(next.lateCharge) && (
                  <tr>
                    <td colSpan={4}>Late charge to date with its tax, {treatments[next.lateChargeTreatment]}</td>
                    <td className="figure">{money(next.lateCharge)}</td>
                  </tr>
                )}
                {!isZero(next.fee) && (
                  <tr>
                    <td colSpan={4}>
                      {isZero(next.earlierFees)
                        ? `Fee, ${treatments[next.feeTreatment] ?? ''}`
                        : `Fees, ${money(next.earlierFees)} of them asked for in earlier letters`}
                    </td>
                    <td className="figure">{money(next.fee)}</td>
                  </tr>
                )}
                <tr>
                  <td colSpan={4} className="strong">
                    The letter asks for
                  </td>
                  <td className="figure strong">{money(next.total)}</td>
                </tr>
              </tbody>
            </table>
          </div>
          {next.itemsLeftOut.length > 0 && (
            <p className="muted small">
              Left out: {next.itemsLeftOut.map((i) => `${i.label}, ${money(i.value)} ${i.formula}`).join('; ')}.
            </p>
          )}
          <div style={{ marginTop: 12 }}>{effect && <EffectPanel effect={effect} />}</div>
          <div className="row-between" style={{ marginTop: 12 }}>
            <Button href={`/api/accounts/${encodeURIComponent(code)}/reminder.pdf`} target="_blank">
              Read the letter
            </Button>
            <Button ref={go} type="primary" htmlType="submit" loading={busy} disabled={!effect || !settled}>
              Issue the reminder
            </Button>
          </div>
        </Form>
      )}
    </Modal>
  );
}
