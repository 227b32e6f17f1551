import { App, AutoComplete, Button, Checkbox, DatePicker, Form, Input, InputNumber, Select } from 'antd';
import dayjs, { type Dayjs } from 'dayjs';
import { changeCompany, type CompanyView } from '../../api/generated';
import { answer } from '../../api/problem';
import { useCalendars, useCompany, useLateChargePolicies, useReminderPlans, useTermsPolicies } from '../../api/queries';
import { iso } from '../../format/dates';
import { ProblemNote } from '../accounts/ProblemNote';
import { purposeNames } from '../accounts/kinds';
import { useSend } from '../accounts/useSend';

export function CompanySettings() {
  const { data } = useCompany();
  return data ? <CompanyForm key={data.version} company={data} /> : null;
}

function CompanyForm({ company }: { company: CompanyView }) {
  const [form] = Form.useForm();
  const { send, busy, problem } = useSend(form);
  const { message } = App.useApp();
  const terms = useTermsPolicies();
  const policies = useLateChargePolicies();
  const plans = useReminderPlans();
  const calendars = useCalendars();
  const save = async (v: Record<string, unknown>) => {
    const body = {
      ...v,
      address: String(v.address).split('\n'),
      ageingUpTo: String(v.ageingUpTo).split(/[ ,]+/).filter(Boolean).map(Number),
      closedThrough: iso(v.closedThrough as Dayjs | null),
      ageByInvoiceDate: v.ageBy === 'invoice',
    };
    const done = await send(() => answer(changeCompany({ body, headers: { 'If-Match': `"${company.version}"` } })));
    if (done) void message.success('The settings are stored. Existing accounts keep what they have.');
  };
  return (
    <Form
      form={form}
      layout="vertical"
      onFinish={(v) => void save(v as Record<string, unknown>)}
      initialValues={{
        ...company,
        address: company.address.join('\n'),
        ageingUpTo: company.ageingUpTo.join(', '),
        ageBy: company.ageByInvoiceDate ? 'invoice' : 'due',
        closedThrough: company.closedThrough ? dayjs(company.closedThrough) : null,
        calendar: company.calendar ?? '',
        dearDiscount: company.dearDiscount ?? '',
        defaultLateChargePolicy: company.defaultLateChargePolicy ?? '',
        defaultReminderPlan: company.defaultReminderPlan ?? '',
        reason: '',
      }}
    >
      <ProblemNote problem={problem} />
      <div style={{ display: 'grid', gridTemplateColumns: 'repeat(auto-fit, minmax(300px, 1fr))', gap: 14, alignItems: 'start' }}>
        <section className="card pad">
          <h2>Company</h2>
          <Form.Item name="name" label="Name">
            <Input />
          </Form.Item>
          <Form.Item name="address" label="Address on letters">
            <Input.TextArea rows={3} />
          </Form.Item>
          <Form.Item name="closedThrough" label="Books closed through">
            <DatePicker format="D MMM YYYY" style={{ width: '100%' }} />
          </Form.Item>
          <Form.Item name="rounding" label="Half a penny is rounded">
            <Select
              options={[
                { value: 'halfAwayFromZero', label: 'away from zero' },
                { value: 'halfToEven', label: 'to the even neighbour' },
              ]}
            />
          </Form.Item>
        </section>
        <section className="card pad">
          <h2>New customers start with</h2>
          <Form.Item name="defaultTerms" label="Terms">
            <AutoComplete options={(terms.data ?? []).map((t) => ({ value: t.code }))} />
          </Form.Item>
          <Form.Item name="defaultLimit" label="Limit">
            <Input className="figure" />
          </Form.Item>
          <Form.Item name="defaultLateChargePolicy" label="Late-charge policy">
            <Select options={[{ value: '', label: 'none' }, ...(policies.data ?? []).map((p) => ({ value: p.code, label: p.name }))]} />
          </Form.Item>
          <Form.Item name="defaultReminderPlan" label="Reminder plan">
            <Select options={[{ value: '', label: 'none' }, ...(plans.data ?? []).map((p) => ({ value: p.code, label: p.name }))]} />
          </Form.Item>
        </section>
        <section className="card pad">
          <h2>Exposure, ageing and cash</h2>
          <Form.Item name="creditsReduceExposure" valuePropName="checked">
            <Checkbox>Credits and money on account reduce exposure</Checkbox>
          </Form.Item>
          <Form.Item name="chargesCount" valuePropName="checked">
            <Checkbox>Late charges and fees count towards exposure</Checkbox>
          </Form.Item>
          <Form.Item name="adjustTaxOnDiscount" valuePropName="checked">
            <Checkbox>A discount reduces output tax by its share</Checkbox>
          </Form.Item>
          <Form.Item name="ageBy" label="Age is counted from the">
            <Select
              options={[
                { value: 'due', label: 'due date' },
                { value: 'invoice', label: 'invoice date' },
              ]}
            />
          </Form.Item>
          <Form.Item name="ageingUpTo" label="Ageing buckets end after days">
            <Input />
          </Form.Item>
          <div className="ties">
            <Form.Item name="allowanceAmount" label="Write off up to">
              <Input className="figure" />
            </Form.Item>
            <Form.Item name="allowancePercent" label="and up to">
              <Input className="figure" suffix="%" />
            </Form.Item>
          </div>
        </section>
        <section className="card pad">
          <h2>Dates and terms</h2>
          <Form.Item name="calendar" label="Holiday calendar">
            <Select
              options={[{ value: '', label: 'weekends only' }, ...(calendars.data ?? []).map((c) => ({ value: c.code, label: c.name }))]}
            />
          </Form.Item>
          <Form.Item name="dearDiscount" label="Warn of discounts that cost more than">
            <Input className="figure" suffix="% a year" />
          </Form.Item>
          <Form.Item name="longestPaymentDays" label="Warn of terms longer than">
            <InputNumber min={0} max={3650} suffix="days" style={{ width: '100%' }} />
          </Form.Item>
          <Form.Item name="longestPaymentDaysSource" label="because of">
            <Input />
          </Form.Item>
        </section>
        <section className="card pad">
          <h2>Posting accounts</h2>
          {Object.keys(company.postingAccounts).map((purpose) => (
            <Form.Item
              key={purpose}
              name={['postingAccounts', purpose]}
              label={purposeNames[purpose] ?? purpose}
              layout="horizontal"
              labelCol={{ span: 14 }}
              style={{ marginBottom: 6 }}
            >
              <Input className="figure" />
            </Form.Item>
          ))}
        </section>
      </div>
      <div className="card pad" style={{ marginTop: 14, display: 'flex', gap: 12, alignItems: 'end' }}>
        <Form.Item name="reason" label="Reason for the change" style={{ flex: 1, marginBottom: 0 }}>
          <Input />
        </Form.Item>
        <Button type="primary" htmlType="submit" loading={busy}>
          Save the settings
        </Button>
      </div>
    </Form>
  );
}
