import { AutoComplete, Checkbox, DatePicker, Form, Input, InputNumber, Select } from 'antd';
import type { CompanyView } from '../../api/generated';
import {
  useCalendars,
  useChoices,
  useCompany,
  useLateChargePolicies,
  useReminderPlans,
  useTaxCodes,
  useTermsPolicies,
} from '../../api/queries';
import { purposeNames } from '../accounts/kinds';
import { Responses } from './Responses';
import { Rows } from './Rows';

const none = { value: '', label: 'none' };
const named = (list: { code: string; name: string }[] | undefined) =>
  (list ?? []).map((p) => ({ value: p.code, label: p.code === p.name ? p.code : `${p.code}: ${p.name}` }));

/** Who the company is, and which day it is there. */
export function WhoPart({ company }: { company: CompanyView }) {
  const choices = useChoices();
  return (
    <div className="settings">
      <section className="card pad">
        <h2>Company</h2>
        <Form.Item name="name" label="Name">
          <Input autoComplete="off" />
        </Form.Item>
        <Form.Item name="address" label="Address at the head of letters">
          <Input.TextArea rows={3} />
        </Form.Item>
        <Form.Item name="letterFoot" label="Foot of letters: where to pay, whom to call">
          <Input.TextArea rows={2} />
        </Form.Item>
      </section>
      <section className="card pad">
        <h2>Currency and rounding</h2>
        <Form.Item
          name="baseCurrency"
          label="Base currency"
          extra={company.baseCurrencyFixed ? 'Fixed, since something was posted' : 'It is fixed with the first posting'}
        >
          <Select
            showSearch
            disabled={company.baseCurrencyFixed}
            options={(choices.data?.currencies ?? []).map((c) => ({ value: c, label: c }))}
          />
        </Form.Item>
        <Form.Item name="rounding" label="Half a minor unit is rounded">
          <Select
            options={[
              { value: 'halfAwayFromZero', label: 'away from zero' },
              { value: 'halfToEven', label: 'to the even neighbour' },
            ]}
          />
        </Form.Item>
      </section>
      <section className="card pad">
        <h2>Dates</h2>
        <Form.Item
          name="timeZone"
          label="Time zone"
          extra={
            company.businessDatePinned
              ? 'The business date is pinned; it is moved from the top bar'
              : 'The business date is the calendar day there'
          }
        >
          <Select showSearch options={(choices.data?.timeZones ?? []).map((z) => ({ value: z, label: z }))} />
        </Form.Item>
        <Form.Item name="closedThrough" label="Books closed through" extra="Nothing is posted on or before this day">
          <DatePicker format="D MMM YYYY" placeholder="none" style={{ width: '100%' }} />
        </Form.Item>
      </section>
    </div>
  );
}

/** What new customers start with, and the company's own fields. */
export function CustomersPart() {
  const terms = useTermsPolicies();
  const policies = useLateChargePolicies();
  const plans = useReminderPlans();
  const taxes = useTaxCodes();
  const choices = useChoices();
  return (
    <div className="settings two">
      <section className="card pad">
        <h2>New customers start with</h2>
        <div className="ties">
          <Form.Item name="defaultTerms" label="Terms">
            <AutoComplete options={(terms.data ?? []).map((t) => ({ value: t.code }))} />
          </Form.Item>
          <Form.Item name="defaultLimit" label="Limit">
            <Input className="figure" />
          </Form.Item>
          <Form.Item name="defaultCurrency" label="Currency">
            <Select showSearch options={(choices.data?.currencies ?? []).map((c) => ({ value: c, label: c }))} />
          </Form.Item>
          <Form.Item name="defaultDelivery" label="Delivery">
            <Select
              options={[
                { value: 'print', label: 'print' },
                { value: 'email', label: 'e-mail' },
              ]}
            />
          </Form.Item>
        </div>
        <Form.Item name="defaultLateChargePolicy" label="Late-charge policy">
          <Select options={[none, ...named(policies.data)]} />
        </Form.Item>
        <Form.Item name="defaultReminderPlan" label="Reminder plan">
          <Select options={[none, ...named(plans.data)]} />
        </Form.Item>
        <Form.Item name="defaultTaxCode" label="Tax code">
          <Select options={[none, ...named(taxes.data)]} />
        </Form.Item>
      </section>
      <section className="card pad">
        <h2>A credit check on them</h2>
        <p className="muted small">Existing customers keep their own responses.</p>
        <Responses name="defaultResponses" />
      </section>
      <section className="card pad wide">
        <h2>Fields of our own for customers</h2>
        <Rows
          name="customerFields"
          title="Fields"
          add="Add a field"
          start={{ kind: 'text' }}
          columns={[
            { name: 'key', label: 'Key', kind: 'text', width: '130px' },
            { name: 'name', label: 'Name', kind: 'text' },
            {
              name: 'kind',
              label: 'Kind',
              kind: 'choice',
              width: '110px',
              options: ['text', 'number', 'date', 'choice'].map((k) => ({ value: k, label: k })),
            },
            { name: 'choices', label: 'Choices', kind: 'words', width: 'minmax(0, 2fr)' },
          ]}
        />
      </section>
    </div>
  );
}

/** What counts, how it ages, and when terms deserve a warning. */
export function BooksPart() {
  const calendars = useCalendars();
  const choices = useChoices();
  return (
    <div className="settings">
      <section className="card pad">
        <h2>Exposure</h2>
        <Form.Item name="creditsReduceExposure" valuePropName="checked" style={{ marginBottom: 4 }}>
          <Checkbox>Credits and money on account reduce it</Checkbox>
        </Form.Item>
        <Form.Item name="chargesCount" valuePropName="checked">
          <Checkbox>Late charges and fees count towards it</Checkbox>
        </Form.Item>
        <Form.Item name="disputedCount" valuePropName="checked" style={{ marginBottom: 4 }}>
          <Checkbox>What is disputed counts towards it</Checkbox>
        </Form.Item>
        <Form.Item name="unclearedCount" valuePropName="checked" extra="By the days to clear of each payment method">
          <Checkbox>Receipts count as owed until they have cleared</Checkbox>
        </Form.Item>
        <h2>Limits</h2>
        <Form.Item name="reviewMonths" label="A limit is looked at again after months, 0 for never">
          <InputNumber min={0} max={120} precision={0} style={{ width: 120 }} />
        </Form.Item>
        <Form.Item name="requestDays" label="What is asked for expires after days">
          <InputNumber min={1} max={366} precision={0} style={{ width: 120 }} />
        </Form.Item>
        <Form.Item name="netWorthShare" label="Suggested from net worth, percent of it">
          <Input inputMode="decimal" className="figure" autoComplete="off" />
        </Form.Item>
        <Form.Item name="oldestRate" label="A rate of exchange is usable for days">
          <InputNumber min={0} max={366} precision={0} style={{ width: 120 }} />
        </Form.Item>
        <h2>Ageing</h2>
        <Form.Item name="ageBy" label="Age is counted from the">
          <Select
            options={[
              { value: 'due', label: 'due date' },
              { value: 'invoice', label: 'invoice date' },
            ]}
          />
        </Form.Item>
        <Form.Item
          name="ageingUpTo"
          label="Buckets end after days"
          extra="Any number of them, such as 7, 14, 30, 60, 90, 180"
        >
          <Input autoComplete="off" />
        </Form.Item>
      </section>
      <section className="card pad">
        <h2>Discounts and short payments</h2>
        <Form.Item name="adjustTaxOnDiscount" valuePropName="checked">
          <Checkbox>A discount reduces output tax by its share</Checkbox>
        </Form.Item>
        <div className="ties">
          <Form.Item name="allowanceAmount" label="Write off up to">
            <Input className="figure" />
          </Form.Item>
          <Form.Item name="allowancePercent" label="and up to">
            <Input className="figure" suffix="%" />
          </Form.Item>
        </div>
        <Rows
          name="allowances"
          title="In other currencies; those not given are converted at the rate of the day"
          add="Add a currency"
          columns={[
            {
              name: 'currency',
              label: 'Currency',
              kind: 'choice',
              options: (choices.data?.currencies ?? []).map((c) => ({ value: c, label: c })),
            },
            { name: 'amount', label: 'Write off up to' },
          ]}
        />
      </section>
      <section className="card pad">
        <h2>Terms</h2>
        <Form.Item name="calendar" label="Holiday calendar">
          <Select options={[{ value: '', label: 'weekends only' }, ...named(calendars.data)]} />
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
    </div>
  );
}

/** How money comes in and where everything is posted. */
export function CashPart({ company }: { company: CompanyView }) {
  return (
    <div className="settings two">
      <section className="card pad wide">
        <h2>Payment methods, in the order they are used</h2>
        <Rows
          name="paymentMethods"
          title="Methods"
          add="Add a method"
          start={{ clearingDays: 0 }}
          columns={[
            { name: 'code', label: 'Code', kind: 'text', width: '120px' },
            { name: 'name', label: 'Name', kind: 'text' },
            { name: 'clearingDays', label: 'Days to clear', kind: 'days', suffix: 'days to clear', width: '150px' },
            { name: 'account', label: 'Account', kind: 'text', width: '130px' },
            { name: 'iban', label: 'IBAN', kind: 'text', width: '230px' },
          ]}
        />
        <p className="muted small">
          Without an account of its own a method posts to {company.postingAccounts.bank}, the bank below.
        </p>
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
      <section className="card pad">
        <h2>Control groups</h2>
        <p className="muted small">Customers whose balances stand on a receivables account of their own.</p>
        <Rows
          name="controlGroups"
          title="Groups"
          add="Add a group"
          columns={[
            { name: 'code', label: 'Code', kind: 'text', width: '90px' },
            { name: 'name', label: 'Name', kind: 'text' },
            { name: 'account', label: 'Account', kind: 'text', width: '90px' },
          ]}
        />
      </section>
    </div>
  );
}

const series: [string, string][] = [
  ['invoice', 'Invoices'],
  ['creditNote', 'Credit notes'],
  ['receipt', 'Receipts'],
  ['lateCharge', 'Late charges'],
  ['reminderFee', 'Reminder fees'],
  ['reminder', 'Reminders'],
];

/** How documents are numbered. */
export function NumbersPart() {
  const { data } = useCompany();
  const numbering = Form.useWatch('numbering') as CompanyView['numbering'] | undefined;
  return (
    <div className="settings">
      <section className="card pad wide">
        <h2>Numbers of documents</h2>
        <table className="grid" aria-label="Numbering">
          <thead>
            <tr>
              <th>Series</th>
              <th>Prefix</th>
              <th>Digits</th>
              <th>Next number</th>
              <th>The next document is</th>
            </tr>
          </thead>
          <tbody>
            {series.map(([key, name]) => {
              const given = numbering?.[key] ?? data?.numbering[key];
              return (
                <tr key={key}>
                  <td className="strong">{name}</td>
                  <td>
                    <Form.Item name={['numbering', key, 'prefix']} style={{ marginBottom: 0 }}>
                      <Input aria-label={`${name}: prefix`} autoComplete="off" style={{ width: 120 }} />
                    </Form.Item>
                  </td>
                  <td>
                    <Form.Item name={['numbering', key, 'digits']} style={{ marginBottom: 0 }}>
                      <InputNumber aria-label={`${name}: digits`} min={1} max={12} style={{ width: 80 }} />
                    </Form.Item>
                  </td>
                  <td>
                    <Form.Item name={['numbering', key, 'next']} style={{ marginBottom: 0 }}>
                      <InputNumber aria-label={`${name}: next number`} min={1} style={{ width: 130 }} />
                    </Form.Item>
                  </td>
                  <td className="figure" style={{ textAlign: 'left' }}>
                    {given ? `${given.prefix ?? ''}${String(given.next ?? 1).padStart(given.digits ?? 5, '0')}` : ''}
                  </td>
                </tr>
              );
            })}
          </tbody>
        </table>
        <p className="muted small">A series goes on from a higher number, never from one that was given already.</p>
      </section>
    </div>
  );
}
