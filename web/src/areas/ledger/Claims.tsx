import { App, Button, DatePicker, Form, Input, Modal, Select } from 'antd';
import dayjs, { type Dayjs } from 'dayjs';
import { useState } from 'react';
import {
  notePromise,
  raiseDispute,
  settleDispute,
  withdrawPromise,
  type AccountPage,
  type DisputeView,
  type PromiseView,
} from '../../api/generated';
import { answer } from '../../api/problem';
import { day, iso } from '../../format/dates';
import { money, moneyOrDash } from '../../format/money';
import { FocusedInput } from '../../shell/FocusedInput';
import { ReasonModal } from '../../shell/ReasonModal';
import { useMay } from '../users/useSession';
import { promiseStates } from './promiseStates';
import { ProblemNote } from './ProblemNote';
import { useSend } from './useSend';

/** What the customer promised, and what it disputes. */
export function Claims({ page, today }: { page: AccountPage; today: string }) {
  const code = page.account.code;
  const may = useMay();
  const [adding, setAdding] = useState<'promise' | 'dispute' | null>(null);
  const [settling, setSettling] = useState<DisputeView | null>(null);
  const [taking, setTaking] = useState<PromiseView | null>(null);
  const change = may('controller');
  return (
    <div style={{ padding: '4px 6px 12px', display: 'grid', gap: 14 }}>
      <section aria-label="Promises">
        <div className="row-between">
          <h3>Promises</h3>
          {change && (
            <Button size="small" onClick={() => setAdding('promise')}>
              Note a promise
            </Button>
          )}
        </div>
        {page.promises.length === 0 ? (
          <p className="muted small">Nothing was promised yet.</p>
        ) : (
          <table className="grid" aria-label="Promises">
            <thead>
              <tr>
                <th>Given</th>
                <th>Pays by</th>
                <th className="figure">Promised</th>
                <th className="figure">Came in</th>
                <th>State</th>
                <th>Who and what</th>
                <td />
              </tr>
            </thead>
            <tbody>
              {page.promises.map((p) => (
                <tr key={p.id}>
                  <td className="nowrap">{day(p.madeOn)}</td>
                  <td className="nowrap">{day(p.dueOn)}</td>
                  <td className="figure">{money(p.amount)}</td>
                  <td className="figure">{moneyOrDash(p.received)}</td>
                  <td className={p.state === 'broken' || p.state === 'partKept' ? 'alarm' : ''}>
                    {promiseStates[p.state]}
                  </td>
                  <td className="small">
                    {p.contact}
                    {p.note ? `: ${p.note}` : ''}
                  </td>
                  <td className="figure">
                    {change && p.state !== 'withdrawn' && (
                      <Button size="small" onClick={() => setTaking(p)}>
                        Take back
                      </Button>
                    )}
                  </td>
                </tr>
              ))}
            </tbody>
          </table>
        )}
      </section>
      <section aria-label="Disputes">
        <div className="row-between">
          <h3>Disputes</h3>
          {change && (
            <Button size="small" onClick={() => setAdding('dispute')}>
              Note a dispute
            </Button>
          )}
        </div>
        {page.disputes.length === 0 ? (
          <p className="muted small">Nothing is disputed.</p>
        ) : (
          <table className="grid" aria-label="Disputes">
            <thead>
              <tr>
                <th>Document</th>
                <th className="figure">Disputed</th>
                <th>Since</th>
                <th>Why</th>
                <th>Settles it</th>
                <th>Outcome</th>
              </tr>
            </thead>
            <tbody>
              {page.disputes.map((d) => (
                <tr key={d.id}>
                  <td className="strong">{d.document}</td>
                  <td className="figure">{money(d.amount)}</td>
                  <td className="nowrap">{day(d.from)}</td>
                  <td className="small">{d.reason}</td>
                  <td className="small">{d.owner}</td>
                  <td className="small">
                    {d.settledOn ? (
                      `${day(d.settledOn)}: ${d.outcome}`
                    ) : change ? (
                      <Button size="small" onClick={() => setSettling(d)}>
                        Settle
                      </Button>
                    ) : (
                      'open'
                    )}
                  </td>
                </tr>
              ))}
            </tbody>
          </table>
        )}
      </section>
      {adding === 'promise' && <NotePromise page={page} today={today} onClose={() => setAdding(null)} />}
      {adding === 'dispute' && <NoteDispute page={page} onClose={() => setAdding(null)} />}
      {settling && (
        <ReasonModal
          title={`Settle the dispute of ${settling.document}`}
          label="Outcome"
          action="Settle"
          act={(outcome) => answer(settleDispute({ path: { code, id: settling.id }, body: { outcome } }))}
          onClose={() => setSettling(null)}
        />
      )}
      {taking && (
        <ReasonModal
          title={`Take back the promise of ${money(taking.amount)}`}
          action="Take back"
          act={(reason) => answer(withdrawPromise({ path: { code, id: taking.id }, body: { reason } }))}
          onClose={() => setTaking(null)}
        />
      )}
    </div>
  );
}

function NotePromise({ page, today, onClose }: { page: AccountPage; today: string; onClose: () => void }) {
  const [form] = Form.useForm<{ amount: string; dueOn: Dayjs; contact: string; note: string }>();
  const { send, busy, problem } = useSend(form);
  const { message } = App.useApp();
  const save = async (v: { amount: string; dueOn: Dayjs; contact: string; note: string }) => {
    const body = { amount: v.amount.replaceAll(',', '').trim(), dueOn: iso(v.dueOn), contact: v.contact, note: v.note };
    if (!(await send(() => answer(notePromise({ path: { code: page.account.code }, body }))))) return;
    void message.success('The promise is noted.');
    onClose();
  };
  return (
    <Modal open title={`A promise of ${page.account.name}`} footer={null} onCancel={onClose} width={460}>
      <Form
        form={form}
        layout="vertical"
        initialValues={{ amount: '', dueOn: dayjs(today).add(7, 'day'), contact: '', note: '' }}
        onFinish={(v) => void save(v)}
      >
        <ProblemNote problem={problem} />
        <div className="ties">
          <Form.Item name="amount" label={`Amount, ${page.account.currency}`}>
            <FocusedInput inputMode="decimal" className="figure" autoComplete="off" />
          </Form.Item>
          <Form.Item name="dueOn" label="Pays by">
            <DatePicker format="D MMM YYYY" allowClear={false} style={{ width: '100%' }} />
          </Form.Item>
        </div>
        <Form.Item name="contact" label="Who promised">
          <Input autoComplete="off" />
        </Form.Item>
        <Form.Item name="note" label="Note">
          <Input autoComplete="off" />
        </Form.Item>
        <Button type="primary" htmlType="submit" loading={busy}>
          Note the promise
        </Button>
      </Form>
    </Modal>
  );
}

function NoteDispute({ page, onClose }: { page: AccountPage; onClose: () => void }) {
  const [form] = Form.useForm<{ itemId: number; amount: string; owner: string; reason: string }>();
  const { send, busy, problem } = useSend(form);
  const { message } = App.useApp();
  const save = async (v: { itemId: number; amount: string; owner: string; reason: string }) => {
    const body = { itemId: v.itemId, amount: v.amount.replaceAll(',', '').trim(), owner: v.owner, reason: v.reason };
    if (!(await send(() => answer(raiseDispute({ path: { code: page.account.code }, body }))))) return;
    void message.success('The dispute is noted.');
    onClose();
  };
  const items = page.items.filter((i) => !i.open.startsWith('-'));
  return (
    <Modal open title={`A dispute of ${page.account.name}`} footer={null} onCancel={onClose} width={460}>
      <Form
        form={form}
        layout="vertical"
        initialValues={{ itemId: items[0]?.id, amount: '', owner: page.account.owner, reason: '' }}
        onFinish={(v) => void save(v)}
      >
        <ProblemNote problem={problem} />
        <Form.Item name="itemId" label="Item">
          <Select options={items.map((i) => ({ value: i.id, label: `${i.document}, ${money(i.open)} open` }))} />
        </Form.Item>
        <Form.Item name="amount" label="Disputed amount, empty for all of it">
          <Input inputMode="decimal" className="figure" autoComplete="off" />
        </Form.Item>
        <Form.Item name="reason" label="Why">
          <FocusedInput autoComplete="off" />
        </Form.Item>
        <Form.Item name="owner" label="Who settles it">
          <Input autoComplete="off" />
        </Form.Item>
        <Button type="primary" htmlType="submit" loading={busy}>
          Note the dispute
        </Button>
      </Form>
    </Modal>
  );
}
