import { App, Button, DatePicker, Form, Input, InputNumber, Select } from 'antd';
import dayjs, { type Dayjs } from 'dayjs';
import { changeAccount, type CompanyView, type CustomerFieldShape, type CustomerShape } from '../../api/generated';
import { answer } from '../../api/problem';
import { useChoices, useCompany, useCustomer } from '../../api/queries';
import { iso } from '../../format/dates';
import { Responses } from '../policies/Responses';
import { Rows } from '../policies/Rows';
import { ProblemNote } from './ProblemNote';
import { useSend } from './useSend';
import { useMay } from '../users/useSession';

/** All that is known of a customer, changed in place. */
export function CustomerRecord({ code }: { code: string }) {
  const { data } = useCustomer(code);
  const company = useCompany();
  if (!data || !company.data) return <p className="muted pad">Loading …</p>;
  return (
    <RecordForm key={data.version} code={code} customer={data.customer} version={data.version} company={company.data} />
  );
}

type Typed = Omit<CustomerShape, 'addresses' | 'fields'> & {
  addresses: { kind: string; name: string; lines: string }[];
  fields: Record<string, string | number | Dayjs | null>;
  reason: string;
};

const asTyped = (c: CustomerShape, fields: CustomerFieldShape[]): Typed => ({
  ...c,
  addresses: (c.addresses ?? []).map((a) => ({
    kind: a.kind ?? 'billTo',
    name: a.name ?? '',
    lines: (a.lines ?? []).join('\n'),
  })),
  fields: Object.fromEntries(
    fields.map((f) => {
      const value = c.fields?.[f.key ?? ''] ?? '';
      return [f.key ?? '', f.kind === 'date' ? (value ? dayjs(value) : null) : value];
    }),
  ),
  reason: '',
});

const asSent = ({ addresses, fields, ...c }: Typed): CustomerShape => ({
  ...c,
  addresses: addresses.map((a) => ({ ...a, lines: (a.lines ?? '').split('\n') })),
  fields: Object.fromEntries(
    Object.entries(fields).map(([key, value]) => [key, dayjs.isDayjs(value) ? iso(value) : String(value ?? '')]),
  ),
});

function RecordForm({
  code,
  customer,
  version,
  company,
}: {
  code: string;
  customer: CustomerShape;
  version: number;
  company: CompanyView;
}) {
  const [form] = Form.useForm<Typed>();
  const may = useMay();
  const { send, busy, problem } = useSend(form);
  const { message } = App.useApp();
  const choices = useChoices();
  const save = async () => {
    const typed = form.getFieldsValue(true) as Typed;
    const body = { customer: asSent(typed), reason: typed.reason };
    const done = await send(() =>
      answer(changeAccount({ path: { code }, body, headers: { 'If-Match': `"${version}"` } })),
    );
    if (done) void message.success('The record is stored.');
  };
  const none = { value: '', label: 'none' };
  const codes = (list: { code?: string | null; name?: string | null }[]) => [
    none,
    ...list.map((x) => ({ value: x.code ?? '', label: `${x.code}: ${x.name}` })),
  ];
  return (
    <Form
      form={form}
      layout="vertical"
      onFinish={() => void save()}
      initialValues={asTyped(customer, company.customerFields)}
      style={{ padding: '4px 6px 14px' }}
    >
      <ProblemNote problem={problem} />
      <div className="settings">
        <section>
          <h2>Who it is</h2>
          <Form.Item name="name" label="Trading name">
            <Input autoComplete="off" />
          </Form.Item>
          <Form.Item name="legalName" label="Legal name, where it differs">
            <Input autoComplete="off" />
          </Form.Item>
          <Form.Item name="address" label="Address for invoices and letters">
            <Input.TextArea rows={2} />
          </Form.Item>
          <div className="ties">
            <Form.Item name="group" label="Group">
              <Input autoComplete="off" />
            </Form.Item>
            <Form.Item name="customerType" label="Customer type">
              <Input autoComplete="off" />
            </Form.Item>
            <Form.Item name="owner" label="Owner of the account">
              <Input autoComplete="off" />
            </Form.Item>
            <Form.Item name="salesperson" label="Salesperson">
              <Input autoComplete="off" />
            </Form.Item>
          </div>
        </section>
        <section>
          <h2>How it is dealt with</h2>
          <Form.Item name="email" label="E-mail for invoices">
            <Input autoComplete="off" />
          </Form.Item>
          <div className="ties">
            <Form.Item name="emailStatements" label="for statements, if another">
              <Input autoComplete="off" />
            </Form.Item>
            <Form.Item name="emailReminders" label="for reminders, if another">
              <Input autoComplete="off" />
            </Form.Item>
            <Form.Item name="delivery" label="Documents go by">
              <Select
                options={[
                  { value: 'print', label: 'print' },
                  { value: 'email', label: 'e-mail' },
                ]}
              />
            </Form.Item>
            <Form.Item name="language" label="Language of letters">
              <Input placeholder="the company’s" autoComplete="off" maxLength={2} />
            </Form.Item>
            <Form.Item name="paymentMethod" label="Pays by">
              <Select options={codes(company.paymentMethods)} />
            </Form.Item>
            <Form.Item name="controlGroup" label="Control group">
              <Select options={codes(company.controlGroups)} />
            </Form.Item>
          </div>
        </section>
        {company.customerFields.length > 0 && (
          <section>
            <h2>Our own fields</h2>
            {company.customerFields.map((f) => (
              <Form.Item key={f.key} name={['fields', f.key ?? '']} label={f.name}>
                {f.kind === 'choice' ? (
                  <Select options={[none, ...(f.choices ?? []).map((c) => ({ value: c, label: c }))]} />
                ) : f.kind === 'date' ? (
                  <DatePicker format="D MMM YYYY" style={{ width: '100%' }} />
                ) : f.kind === 'number' ? (
                  <InputNumber stringMode style={{ width: '100%' }} />
                ) : (
                  <Input autoComplete="off" />
                )}
              </Form.Item>
            ))}
          </section>
        )}
        <section>
          <h2>A credit check on it</h2>
          <Responses name="responses" />
        </section>
        <section className="wide">
          <Rows
            name="contacts"
            title="Contacts"
            add="Add a contact"
            start={{ active: true }}
            columns={[
              { name: 'name', label: 'Name', kind: 'text' },
              { name: 'role', label: 'Role', kind: 'text' },
              { name: 'phone', label: 'Telephone', kind: 'text' },
              { name: 'email', label: 'E-mail', kind: 'text' },
              { name: 'active', label: 'active', kind: 'check', width: '80px' },
            ]}
          />
          <Rows
            name="addresses"
            title="Further addresses"
            add="Add an address"
            start={{ kind: 'shipTo' }}
            columns={[
              {
                name: 'kind',
                label: 'Kind',
                kind: 'choice',
                width: '130px',
                options: [
                  { value: 'billTo', label: 'bill to' },
                  { value: 'shipTo', label: 'ship to' },
                ],
              },
              { name: 'name', label: 'Name', kind: 'text', width: '180px' },
              { name: 'lines', label: 'Lines of the address', kind: 'lines' },
            ]}
          />
          <Rows
            name="identifiers"
            title="Identifiers"
            add="Add an identifier"
            start={{ scheme: 'VAT-GB' }}
            columns={[
              {
                name: 'scheme',
                label: 'Kind of identifier',
                kind: 'choice',
                width: '260px',
                options: (choices.data?.identifiers ?? []).map((i) => ({ value: i.code, label: i.title })),
              },
              { name: 'number', label: 'Number', kind: 'text' },
            ]}
          />
        </section>
      </div>
      <div style={{ display: 'flex', gap: 12, alignItems: 'end', marginTop: 10 }}>
        <Form.Item name="reason" label="Reason for the change" style={{ flex: 1, marginBottom: 0 }}>
          <Input autoComplete="off" />
        </Form.Item>
        {may('controller') && (
          <Button type="primary" htmlType="submit" loading={busy}>
            Save the record
          </Button>
        )}
      </div>
    </Form>
  );
}
