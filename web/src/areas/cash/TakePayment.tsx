import { Alert, App, Button, Checkbox, DatePicker, Form, Input, Modal, Select } from 'antd';
import dayjs from 'dayjs';
import { useMemo, useState } from 'react';
import { takePayment, type AccountPage } from '../../../api/generated';
import { answer } from '../../../api/problem';
import { useCompany } from '../../../api/queries';
import { day, iso } from '../../../format/dates';
import { grouped, isZero, money, moneyOrDash } from '../../../format/money';
import { ProblemNote } from '../ProblemNote';
import { useSend } from '../useSend';
import { EffectPanel } from './Journal';
import { usePreview } from '../../../shell/usePreview';
import { FocusedInput } from '../../../shell/FocusedInput';

export interface ActionProps {
  page: AccountPage;
  today: string;
  onClose: () => void;
}

/** By the rules, not given, or the step that is granted: its deadline. */
type Choice = string;
const [proposed, refused] = ['proposed', 'refuse'];
const isGrant = (choice: Choice) => choice !== proposed && choice !== refused;

/** A payment for chosen items. For each, cash, discount, write-off and what stays open are shown and tie before posting. */
export function TakePayment({ page, today, onClose }: ActionProps) {
  const [form] = Form.useForm();
  const { send, busy, problem } = useSend(form);
  const { message } = App.useApp();
  const key = useMemo(() => crypto.randomUUID(), []);
  const debits = page.items.filter((i) => !i.open.startsWith('-'));
  const [chosen, setChosen] = useState<Record<number, Choice>>({});
  const [writeOffs, setWriteOffs] = useState<Record<number, boolean>>({});
  const values = Form.useWatch([], form) as
    { cash?: string; valueDate?: dayjs.Dayjs; method?: string; reference?: string; reason?: string } | undefined;
  const code = page.account.code;
  const company = useCompany();
  const body = {
    method: values?.method ?? page.account.paymentMethod,
    valueDate: iso(values?.valueDate ?? dayjs(today)),
    cash: (values?.cash ?? '').replaceAll(',', '').trim(),
    reference: values?.reference ?? '',
    reason: values?.reason ?? '',
    items: Object.entries(chosen).map(([id, choice]) => ({
      id: Number(id),
      discount: isGrant(choice) ? 'grant' : choice,
      step: isGrant(choice) ? choice : undefined,
      writeOff: writeOffs[Number(id)],
    })),
  };
  const ready = body.cash !== '';
  const {
    effect,
    problem: wrong,
    settled,
  } = usePreview(ready ? JSON.stringify(body) : null, () =>
    answer(takePayment({ path: { code }, query: { preview: true }, body })),
  );
  const lines = new Map(effect?.payment.map((l) => [l.itemId, l]));
  const toggle = (id: number) =>
    setChosen((c) => {
      const { [id]: was, ...rest } = c;
      return was ? rest : { ...rest, [id]: 'proposed' };
    });
  const post = async () => {
    const done = await send(() => answer(takePayment({ path: { code }, body, headers: { 'Idempotency-Key': key } })));
    if (!done) return;
    void message.success(`${done.number ?? 'The receipt'} is posted. It can be reversed from the ledger.`);
    onClose();
  };
  const unearned =
    effect?.payment.some((l) => l.findings.some((f) => f.code === 'discount-unearned')) ||
    Object.values(chosen).some(isGrant) ||
    Object.values(writeOffs).includes(true);
  return (
    <Modal
      title={`Take a payment from ${page.account.name}`}
      open
      onCancel={onClose}
      footer={null}
      width={980}
      style={{ top: 30 }}
    >
      <ProblemNote problem={problem} />
      <Form
        form={form}
        layout="vertical"
        onFinish={() => void post()}
        initialValues={{
          cash: '',
          valueDate: dayjs(today),
          method: page.account.paymentMethod,
          reference: '',
          reason: '',
        }}
      >
        <div style={{ display: 'grid', gridTemplateColumns: '170px 160px 170px 1fr', gap: 12 }}>
          <Form.Item
            name="cash"
            label={`Amount received, ${page.account.currency}`}
            validateStatus={wrong?.errors.cash ? 'error' : undefined}
            help={wrong?.errors.cash?.[0]}
          >
            <FocusedInput inputMode="decimal" className="figure" autoComplete="off" />
          </Form.Item>
          <Form.Item
            name="valueDate"
            label="Value date"
            validateStatus={wrong?.errors.valueDate ? 'error' : undefined}
            help={wrong?.errors.valueDate?.[0]}
          >
            <DatePicker format="D MMM YYYY" allowClear={false} style={{ width: '100%' }} />
          </Form.Item>
          <Form.Item name="method" label="Came in by">
            <Select
              options={[
                { value: '', label: 'not told' },
                ...(company.data?.paymentMethods ?? []).map((m) => ({ value: m.code ?? '', label: m.name })),
              ]}
            />
          </Form.Item>
          <Form.Item name="reference" label="Reference">
            <Input autoComplete="off" />
          </Form.Item>
        </div>
        <div className="card" style={{ maxHeight: 270, overflow: 'auto' }}>
          <table className="grid" aria-label="Items to settle">
            <thead>
              <tr>
                <th>
                  <span className="hidden-text">Choose</span>
                </th>
                <th>Item</th>
                <th>Due</th>
                <th className="figure">Open</th>
                <th className="figure">Cash</th>
                <th className="figure">Discount</th>
                <th className="figure">Written off</th>
                <th className="figure">Stays open</th>
                <th>Discount is</th>
              </tr>
            </thead>
            <tbody>
              {debits.map((item) => {
                const choice = chosen[item.id];
                const line = choice ? lines.get(item.id) : undefined;
                return [
                  <tr key={item.id} className={choice ? 'on' : ''}>
                    <td>
                      <Checkbox
                        checked={!!choice}
                        onChange={() => toggle(item.id)}
                        aria-label={`Settle ${item.document}`}
                      />
                    </td>
                    <td className="strong nowrap">{item.document}</td>
                    <td className="nowrap">{day(item.due)}</td>
                    <td className="figure">{money(item.open)}</td>
                    <td className="figure">{line ? moneyOrDash(line.cash) : ''}</td>
                    <td className="figure good">
                      {line ? (
                        moneyOrDash(line.discount)
                      ) : item.discountToday ? (
                        <span className="muted">{money(item.discountToday)} offered</span>
                      ) : (
                        ''
                      )}
                    </td>
                    <td className="figure">{line ? moneyOrDash(line.writeOff) : ''}</td>
                    <td className="figure">
                      {line ? moneyOrDash(line.staysOpen) : ''}
                      {line && (!isZero(line.staysOpen) || !isZero(line.writeOff)) && (
                        <div>
                          <button
                            type="button"
                            className="linkish small"
                            onClick={() => setWriteOffs((w) => ({ ...w, [item.id]: isZero(line.writeOff) }))}
                          >
                            {isZero(line.writeOff) ? 'write it off' : 'leave it open'}
                          </button>
                        </div>
                      )}
                    </td>
                    <td>
                      {choice && item.discounts.length > 0 && (
                        <Select<Choice>
                          size="small"
                          aria-label={`Discount of ${item.document}`}
                          value={choice}
                          style={{ width: 150 }}
                          popupMatchSelectWidth={false}
                          onChange={(v) => setChosen((c) => ({ ...c, [item.id]: v }))}
                          options={[
                            { value: proposed, label: 'by the rules' },
                            ...item.discounts.map((d) => ({
                              value: d.deadline,
                              label: `${money(d.amount)} ${d.inForce ? 'granted' : 'allowed late'}`,
                            })),
                            { value: refused, label: 'not given' },
                          ]}
                        />
                      )}
                    </td>
                  </tr>,
                  line && line.findings.length > 0 && (
                    <tr key={`${item.id}f`} className="on">
                      <td />
                      <td colSpan={8} className="small">
                        {grouped(line.findings.map((f) => f.text).join('. '))}.
                      </td>
                    </tr>
                  ),
                ];
              })}
              {debits.length === 0 && (
                <tr>
                  <td colSpan={9} className="muted">
                    Nothing is open; what comes in stays on account.
                  </td>
                </tr>
              )}
            </tbody>
          </table>
        </div>
        {unearned && (
          <Form.Item
            name="reason"
            label="Reason for the discount or the write-off"
            style={{ marginTop: 10 }}
            validateStatus={wrong?.errors.reason ? 'error' : undefined}
            help={wrong?.errors.reason?.[0]}
          >
            <Input />
          </Form.Item>
        )}
        {wrong && !wrong.errors.cash && !wrong.errors.valueDate && !wrong.errors.reason && (
          <Alert style={{ marginTop: 10 }} type="error" showIcon title={wrong.detail} />
        )}
        {effect && (
          <div style={{ marginTop: 12 }}>
            {effect.onAccount && !isZero(effect.onAccount) && (
              <Alert
                style={{ marginBottom: 8 }}
                type="warning"
                showIcon
                title={`${money(effect.onAccount)} is not set against an item and stays on account.`}
              />
            )}
            <EffectPanel effect={effect} />
          </div>
        )}
        <div className="row-between" style={{ marginTop: 12 }}>
          <span className="muted small">
            {effect
              ? 'This is what will be posted.'
              : 'Give the amount and choose the items; the effect is shown here before anything is posted.'}
          </span>
          <Button type="primary" htmlType="submit" loading={busy} disabled={!effect || !settled}>
            Post the receipt
          </Button>
        </div>
      </Form>
    </Modal>
  );
}
