import { useQuery } from '@tanstack/react-query';
import { Alert, App, Button, Checkbox, DatePicker, Form, Input, InputNumber, Select } from 'antd';
import dayjs, { type Dayjs } from 'dayjs';
import { useState } from 'react';
import {
  addLateChargePolicy,
  calculateLateCharge,
  changeLateChargePolicy,
  type LateChargePolicyShape,
  type LateChargePolicyView,
} from '../../api/generated';
import { answer, asProblem } from '../../api/problem';
import { useCompany, useLateChargePolicies } from '../../api/queries';
import { iso } from '../../format/dates';
import { money } from '../../format/money';
import { WorkingsTable } from '../../workings/Workings';
import { ProblemNote } from '../accounts/ProblemNote';
import { useSend } from '../accounts/useSend';
import { PolicyList } from './PolicyList';

interface Typed {
  code?: string;
  name: string;
  reason: string;
  label: string;
  rates: { from: Dayjs; annualRate: string }[];
  bands: { above: string; annualRate: string }[];
  dayCount: string;
  waitDays: number;
  countFrom: string;
  minimum: string;
  belowMinimum: string;
  maximum: string;
  shownOnly: boolean;
}

const asPolicy = (v: Typed): LateChargePolicyShape => ({
  label: v.label,
  rates: (v.rates ?? []).map((r) => ({ from: iso(r?.from), annualRate: r?.annualRate ?? '' })),
  bands: (v.bands ?? []).map((b) => ({ above: b?.above ?? '', annualRate: b?.annualRate ?? '' })),
  dayCount: v.dayCount,
  waitDays: v.waitDays ?? 0,
  countFrom: v.countFrom,
  minimum: v.minimum || null,
  belowMinimum: v.belowMinimum,
  maximum: v.maximum || null,
  shownOnly: v.shownOnly,
});

export function LateChargePolicies() {
  const { data } = useLateChargePolicies();
  const [chosen, setChosen] = useState<string | null | undefined>(undefined);
  if (!data) return null;
  const current = chosen === undefined ? (data[0]?.code ?? null) : chosen;
  const policy = data.find((p) => p.code === current);
  return (
    <div className="policies">
      <PolicyList entries={data} current={current} onChoose={setChosen} what="policy" />
      <ChargeForm key={`${policy?.code} ${policy?.version}`} policy={policy} onSaved={setChosen} />
    </div>
  );
}

function ChargeForm({ policy, onSaved }: { policy?: LateChargePolicyView; onSaved: (code: string) => void }) {
  const [form] = Form.useForm<Typed>();
  const { send, busy, problem } = useSend(form);
  const { message } = App.useApp();
  const company = useCompany();
  const p = policy?.policy;
  const initial: Typed = {
    code: policy?.code ?? '',
    name: policy?.name ?? '',
    reason: '',
    label: p?.label ?? 'Late charge',
    rates: (p?.rates ?? [{ from: '2020-01-01', annualRate: '8' }]).map((r) => ({ from: dayjs(r.from), annualRate: r.annualRate ?? '' })),
    bands: (p?.bands ?? []).map((b) => ({ above: b.above ?? '', annualRate: b.annualRate ?? '' })),
    dayCount: p?.dayCount ?? 'act/365f',
    waitDays: p?.waitDays ?? 0,
    countFrom: p?.countFrom ?? 'dueDate',
    minimum: p?.minimum ?? '',
    belowMinimum: p?.belowMinimum ?? 'raise',
    maximum: p?.maximum ?? '',
    shownOnly: p?.shownOnly ?? false,
  };
  const values = (Form.useWatch([], form) as Typed | undefined) ?? initial;
  const save = async (v: Typed) => {
    const body = { code: v.code, name: v.name, policy: asPolicy(v), reason: v.reason };
    const saved = await send(() =>
      policy
        ? answer(changeLateChargePolicy({ path: { code: policy.code }, body, headers: { 'If-Match': `"${policy.version}"` } }))
        : answer(addLateChargePolicy({ body })),
    );
    if (!saved) return;
    void message.success(`Version ${saved.version} of ${saved.code} is stored.`);
    onSaved(saved.code);
  };
  return (
    <>
      <section className="card pad">
        <h2 style={{ marginBottom: 8 }}>{policy ? policy.code : 'New late-charge policy'}</h2>
        <ProblemNote problem={problem} />
        <Form form={form} layout="vertical" onFinish={(v) => void save(v)} initialValues={initial}>
          {!policy && (
            <Form.Item name="code" label="Code">
              <Input autoComplete="off" />
            </Form.Item>
          )}
          <div className="ties">
            <Form.Item name="name" label="Name">
              <Input autoComplete="off" />
            </Form.Item>
            <Form.Item name="label" label="Word printed for it">
              <Input autoComplete="off" />
            </Form.Item>
          </div>
          <Rows name="rates" title="Rates" add="Add a rate" first={{ name: 'from', label: 'From', date: true }} />
          <Rows
            name="bands"
            title="Bands: the part above an amount bears another rate"
            add="Add a band"
            first={{ name: 'above', label: 'Above' }}
          />
          <div className="ties">
            <Form.Item name="dayCount" label="Day count">
              <Select options={(company.data?.dayCounts ?? []).map((d) => ({ value: d.name, label: d.title }))} />
            </Form.Item>
            <Form.Item name="waitDays" label="Free days after the due date">
              <InputNumber min={0} max={3650} style={{ width: '100%' }} />
            </Form.Item>
            <Form.Item name="countFrom" label="Once over, days count from the">
              <Select
                options={[
                  { value: 'dueDate', label: 'due date' },
                  { value: 'endOfWait', label: 'end of the free days' },
                ]}
              />
            </Form.Item>
            <Form.Item name="maximum" label="Most on one item">
              <Input className="figure" placeholder="no maximum" />
            </Form.Item>
            <Form.Item name="minimum" label="Least on one item">
              <Input className="figure" placeholder="no minimum" />
            </Form.Item>
            <Form.Item name="belowMinimum" label="Below the least">
              <Select
                options={[
                  { value: 'raise', label: 'charge the least' },
                  { value: 'skip', label: 'charge nothing' },
                ]}
              />
            </Form.Item>
          </div>
          <Form.Item name="shownOnly" valuePropName="checked">
            <Checkbox>Shown on letters and quotes, never posted</Checkbox>
          </Form.Item>
          {policy && (
            <Form.Item name="reason" label="Reason for the change">
              <Input />
            </Form.Item>
          )}
          <Button type="primary" htmlType="submit" loading={busy}>
            {policy ? `Save as version ${policy.version + 1}` : 'Add the policy'}
          </Button>
        </Form>
      </section>
      {company.data && <ChargeTryOut policy={asPolicy(values)} today={company.data.businessDate} currency={company.data.baseCurrency} />}
    </>
  );
}

function Rows({
  name,
  title,
  add,
  first,
}: {
  name: string;
  title: string;
  add: string;
  first: { name: string; label: string; date?: boolean };
}) {
  return (
    <fieldset style={{ border: 0, padding: 0, margin: '0 0 12px' }}>
      <legend className="small" style={{ padding: 0 }}>
        {title}
      </legend>
      <Form.List name={name}>
        {(fields, { add: append, remove }) => (
          <>
            {fields.map((field) => (
              <div key={field.key} style={{ display: 'grid', gridTemplateColumns: '1fr 1fr auto', gap: 8, marginBottom: 6 }}>
                <Form.Item name={[field.name, first.name]} noStyle>
                  {first.date ? (
                    <DatePicker aria-label={first.label} format="D MMM YYYY" allowClear={false} prefix="from" />
                  ) : (
                    <Input aria-label={first.label} prefix="above" className="figure" />
                  )}
                </Form.Item>
                <Form.Item name={[field.name, 'annualRate']} noStyle>
                  <Input aria-label="Rate in percent a year" suffix="% a year" className="figure" />
                </Form.Item>
                <Button onClick={() => remove(field.name)}>Remove</Button>
              </div>
            ))}
            <Button size="small" onClick={() => append({})}>
              {add}
            </Button>
          </>
        )}
      </Form.List>
    </fieldset>
  );
}

function ChargeTryOut({ policy, today, currency }: { policy: LateChargePolicyShape; today: string; currency: string }) {
  const [amount, setAmount] = useState('9000.00');
  const [paid, setPaid] = useState('2500.00');
  const [due, setDue] = useState(dayjs(today).subtract(65, 'day').format('YYYY-MM-DD'));
  const [through, setThrough] = useState(today);
  const paidOn = dayjs(due).add(22, 'day').format('YYYY-MM-DD');
  const body = {
    currency,
    amount,
    dueDate: due,
    movements: paid && paid !== '0' ? [{ date: paidOn, amount: `-${paid}` }] : [],
    through,
    policy,
  };
  const { data, error } = useQuery({
    queryKey: ['try-charge', body],
    queryFn: () => answer(calculateLateCharge({ body })),
    placeholderData: (d) => d,
    retry: false,
  });
  const problem = error ? asProblem(error) : null;
  return (
    <section className="card pad" aria-label="Try-out">
      <h2>Try-out: a sample item</h2>
      <div style={{ display: 'grid', gridTemplateColumns: '1fr 1fr', gap: 8, margin: '8px 0' }}>
        <label className="small muted">
          Amount
          <Input aria-label="Sample amount" className="figure" value={amount} onChange={(e) => setAmount(e.target.value)} />
        </label>
        <label className="small muted">
          Part paid 22 days late
          <Input aria-label="Sample part payment" className="figure" value={paid} onChange={(e) => setPaid(e.target.value)} />
        </label>
        <label className="small muted">
          Due
          <DatePicker
            aria-label="Sample due date"
            format="D MMM YYYY"
            allowClear={false}
            value={dayjs(due)}
            onChange={(d) => setDue(iso(d))}
            style={{ width: '100%' }}
          />
        </label>
        <label className="small muted">
          Charged through
          <DatePicker
            aria-label="Sample charged through"
            format="D MMM YYYY"
            allowClear={false}
            value={dayjs(through)}
            onChange={(d) => setThrough(iso(d))}
            style={{ width: '100%' }}
          />
        </label>
      </div>
      {problem && <Alert type="error" showIcon title={problem.detail} />}
      {data && !problem && (
        <>
          <p style={{ margin: '6px 0' }}>
            The charge is <b style={{ fontSize: 17 }}>{money(data.total)}</b> {currency}.
          </p>
          <WorkingsTable workings={data.workings} />
        </>
      )}
    </section>
  );
}
