import { App, Button, Checkbox, Form, Input, InputNumber, Select } from 'antd';
import { DayInput } from '../../form/DayInput';
import { ofAccount } from '../../api/changes';
import { changeAccount, type CompanyView, type CustomerFieldShape, type CustomerView } from '../../api/generated';
import { answer } from '../../api/problem';
import { useChoices, useCompany, useCustomer } from '../../api/queries';
import { AmountField, ChoiceField, DayField, LinesField, TextField } from '../../form/fields';
import { choices, coded, none, plainChoices } from '../../form/options';
import { ProblemNote } from '../../form/ProblemNote';
import { Rows } from '../../form/Rows';
import { useUnsaved } from '../../form/unsaved';
import { useSend } from '../../form/useSend';
import { Loaded } from '../../shell/Loaded';
import { useMay } from '../../shell/session';
import { allowanceChoices, deliveries } from '../../words/people';
import { BankAccounts } from '../cash';
import { Responses } from '../checks';
import { asSent, asTyped, type RecordTyped } from './recordForm';

/** All that is known of a customer, changed in place. */
export function CustomerRecord({ code }: { code: string }) {
  const customer = useCustomer(code);
  const company = useCompany();
  return (
    <Loaded query={customer} what="the record">
      {(record) =>
        company.data && (
          <>
            <RecordForm key={record.version} code={code} record={record} company={company.data} />
            <BankAccounts code={code} />
          </>
        )
      }
    </Loaded>
  );
}

function RecordForm({ code, record, company }: { code: string; record: CustomerView; company: CompanyView }) {
  const [form] = Form.useForm<RecordTyped>();
  const may = useMay();
  const { send, busy, problem } = useSend(form, ofAccount(code));
  const { message } = App.useApp();
  const known = useChoices();
  useUnsaved(() => form.isFieldsTouched());
  const save = async () => {
    const { reason, ...typed } = form.getFieldsValue(true) as RecordTyped;
    const body = { customer: asSent(typed), reason };
    const headers = { 'If-Match': `"${record.version}"` };
    if (!(await send(() => answer(changeAccount({ path: { code }, body, headers }))))) return;
    void message.success('The record is stored.');
  };
  return (
    <Form
      form={form}
      name="record"
      layout="vertical"
      onFinish={() => void save()}
      initialValues={asTyped(record.customer, company.customerFields)}
      className="tab-part"
    >
      <ProblemNote problem={problem} />
      <div className="settings">
        <section>
          <h2>Who it is</h2>
          <TextField name="name" label="Trading name" />
          <TextField name="legalName" label="Legal name, where it differs" />
          <LinesField name="address" label="Address for invoices and letters" />
          <div className="ties">
            <TextField name="group" label="Group" />
            <TextField name="customerType" label="Customer type" />
            <TextField name="owner" label="Owner of the account" />
            <TextField name="salesperson" label="Salesperson" />
          </div>
        </section>
        <section>
          <h2>Documents and payment</h2>
          <TextField name="email" label="E-mail for invoices; several separated by semicolons" />
          <div className="ties">
            <TextField name="emailStatements" label="for statements, if another" />
            <TextField name="emailReminders" label="for reminders, if another" />
            <ChoiceField name="delivery" label="Documents go by" options={choices(deliveries)} />
            <TextField name="language" label="Language of letters" placeholder="the company’s" maxLength={2} />
            <ChoiceField name="paymentMethod" label="Pays by" options={[none, ...coded(company.paymentMethods)]} />
            <Form.Item name="electronic" label="Electronic invoices" valuePropName="checked">
              <Checkbox>as UBL, beside the PDF</Checkbox>
            </Form.Item>
            <ChoiceField name="controlGroup" label="Control group" options={[none, ...coded(company.controlGroups)]} />
          </div>
        </section>
        <section>
          <h2>Tax</h2>
          <TextField
            name={['exemption', 'reason']}
            label="Bears no tax, because"
            placeholder="taxed by its tax code"
            extra="As invoices print it; empty where sales are taxed"
          />
          <div className="ties">
            <TextField name={['exemption', 'certificate']} label="Certificate number" />
            <DayField name={['exemption', 'until']} label="Valid until" placeholder="no end" />
          </div>
        </section>
        <section>
          <h2>When it pays slightly less</h2>
          <ChoiceField name={['allowance', 'choice']} label="Short-pay allowance" options={choices(allowanceChoices)} />
          <Form.Item
            noStyle
            shouldUpdate={(a: RecordTyped, b: RecordTyped) => a.allowance?.choice !== b.allowance?.choice}
          >
            {() =>
              form.getFieldValue(['allowance', 'choice']) === 'own' && (
                <div className="ties">
                  <AmountField name={['allowance', 'amount']} label="At most" suffix={record.customer.currency} />
                  <AmountField name={['allowance', 'percent']} label="and at most" suffix="% of the item" />
                </div>
              )
            }
          </Form.Item>
        </section>
        {company.customerFields.length > 0 && (
          <section>
            <h2>Our own fields</h2>
            {company.customerFields.map((f) => (
              <Form.Item key={f.key} name={['fields', f.key ?? '']} label={f.name}>
                {control(f)}
              </Form.Item>
            ))}
          </section>
        )}
        <section>
          <h2>Credit check</h2>
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
                options: choices({ billTo: 'bill to', shipTo: 'ship to' }),
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
                options: (known.data?.identifiers ?? []).map((i) => ({ value: i.code, label: i.title })),
              },
              { name: 'number', label: 'Number', kind: 'text' },
            ]}
          />
        </section>
      </div>
      {may('controller') && (
        <div className="save-line">
          <TextField name="reason" label="Reason for the change" />
          <Button type="primary" htmlType="submit" loading={busy}>
            Save the record
          </Button>
        </div>
      )}
    </Form>
  );
}

/** What the company's own field is typed into. */
function control({ kind, choices: given }: CustomerFieldShape) {
  switch (kind) {
    case 'choice':
      return <Select options={[none, ...plainChoices(given ?? [])]} />;
    case 'date':
      return <DayInput live style={{ width: '100%' }} />;
    case 'number':
      return <InputNumber stringMode style={{ width: '100%' }} />;
    case 'text':
    case null:
    case undefined:
      return <Input autoComplete="off" />;
  }
}
