import { Alert, App, Button, Checkbox, DatePicker, Form, Modal } from 'antd';
import dayjs from 'dayjs';
import { useMemo, useState } from 'react';
import { raiseLateCharge } from '../../../api/generated';
import { answer } from '../../../api/problem';
import { day, iso } from '../../../format/dates';
import { isZero, money } from '../../../format/money';
import { ProblemNote } from '../ProblemNote';
import { useSend } from '../useSend';
import { EffectPanel } from './Journal';
import type { ActionProps } from './TakePayment';
import { useFocusWhen } from './useFocusWhen';
import { usePreview } from '../../../shell/usePreview';

/** The late charge accrued through a day, item by item, raised as one document. */
export function RaiseCharge({ page, today, onClose }: ActionProps) {
  const [form] = Form.useForm();
  const { send, busy, problem } = useSend(form);
  const { message } = App.useApp();
  const key = useMemo(() => crypto.randomUUID(), []);
  const [through, setThrough] = useState(today);
  const [leaveOut, setLeaveOut] = useState<number[]>([]);
  const code = page.account.code;
  const all = usePreview(JSON.stringify({ through }), () =>
    answer(raiseLateCharge({ path: { code }, query: { preview: true }, body: { through } })),
  );
  const body = { through, leaveOut };
  const {
    effect,
    problem: wrong,
    settled,
  } = usePreview(JSON.stringify(body), () =>
    answer(raiseLateCharge({ path: { code }, query: { preview: true }, body })),
  );
  const go = useFocusWhen(!!effect);
  const post = async () => {
    const done = await send(() =>
      answer(raiseLateCharge({ path: { code }, body, headers: { 'Idempotency-Key': key } })),
    );
    if (!done) return;
    void message.success(`${done.number ?? 'The charge'} is raised. It can be reversed from the ledger.`);
    onClose();
  };
  return (
    <Modal
      title={`Late charge for ${page.account.name}`}
      open
      onCancel={onClose}
      footer={null}
      width={860}
      style={{ top: 40 }}
    >
      <ProblemNote problem={problem} />
      <Form form={form} layout="vertical" onFinish={() => void post()}>
        <Form.Item label="Charge through" htmlFor="through">
          <DatePicker
            id="through"
            format="D MMM YYYY"
            allowClear={false}
            maxDate={dayjs(today)}
            value={dayjs(through)}
            onChange={(d) => setThrough(iso(d))}
          />
        </Form.Item>
        {all.problem && <Alert type="info" showIcon title={all.problem.detail} />}
        {all.effect && (
          <div className="card" style={{ maxHeight: 260, overflow: 'auto', marginBottom: 12 }}>
            <table className="grid" aria-label="Charges">
              <thead>
                <tr>
                  <th>
                    <span className="hidden-text">Choose</span>
                  </th>
                  <th>Item</th>
                  <th>Due</th>
                  <th>How it comes about</th>
                  <th className="figure">Charge</th>
                </tr>
              </thead>
              <tbody>
                {all.effect.charges.map((c) => (
                  <tr key={c.itemId}>
                    <td>
                      <Checkbox
                        aria-label={`Charge ${c.document}`}
                        checked={!leaveOut.includes(c.itemId)}
                        onChange={(e) =>
                          setLeaveOut((l) => (e.target.checked ? l.filter((i) => i !== c.itemId) : [...l, c.itemId]))
                        }
                      />
                    </td>
                    <td className="strong nowrap">{c.document}</td>
                    <td className="nowrap">{day(c.due)}</td>
                    <td className="small muted">
                      {c.segments.map((s) => (
                        <div key={s.from + s.annualRate}>
                          {day(s.from)} to {day(s.to)}, {s.days} {s.days === 1 ? 'day' : 'days'} on {money(s.balance)}{' '}
                          at {s.annualRate}%
                        </div>
                      ))}
                      {c.cutOff && <div>held to a maximum of the policy</div>}
                      {!isZero(c.correction) && (
                        <div>
                          {c.correction.startsWith('-') ? 'charged too much before' : 'charged too little before'}:{' '}
                          {money(c.correction)}
                        </div>
                      )}
                    </td>
                    <td className="figure">{money(c.amount)}</td>
                  </tr>
                ))}
              </tbody>
            </table>
          </div>
        )}
        {wrong && !all.problem && <Alert type="info" showIcon title={wrong.detail} />}
        {effect && <EffectPanel effect={effect} />}
        <div className="row-between" style={{ marginTop: 12 }}>
          <span className="muted small">
            {effect
              ? `One document of ${money(effect.total)}` +
                (effect.tax && !isZero(effect.tax) ? `, tax of ${money(effect.tax)} included,` : '') +
                ' is raised. Items left out accrue on.'
              : ''}
          </span>
          <Button ref={go} type="primary" htmlType="submit" loading={busy} disabled={!effect || !settled}>
            Raise the charge
          </Button>
        </div>
      </Form>
    </Modal>
  );
}
