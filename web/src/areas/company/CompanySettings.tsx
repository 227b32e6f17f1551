import { useQuery } from '@tanstack/react-query';
import { App, Button, Form, Tabs } from 'antd';
import { useState } from 'react';
import { ofCompany } from '../../api/changes';
import { changeCompany, type CompanyView } from '../../api/generated';
import { getCompanyChangesOptions } from '../../api/generated/@tanstack/react-query.gen';
import { answer } from '../../api/problem';
import { useCompany } from '../../api/queries';
import { TextField } from '../../form/fields';
import { ProblemNote } from '../../form/ProblemNote';
import { useSend } from '../../form/useSend';
import { useUnsaved } from '../../form/unsaved';
import { Loaded } from '../../shell/Loaded';
import { useMay } from '../../shell/session';
import { ChangesTable } from '../../table/ChangesTable';
import { ApplyDefaults } from './ApplyDefaults';
import { BooksPart } from './BooksPart';
import { CashPart } from './CashPart';
import { changedDefaults, type FormerDefault } from './changedDefaults';
import { asRequest, asTyped, partOf, type Part } from './companyForm';
import { CustomersPart } from './CustomersPart';
import { MessagesPart } from './MessagesPart';
import { NumbersPart } from './NumbersPart';
import { RunsPart } from './RunsPart';
import { WhoPart } from './WhoPart';

/** The settings of the company, part by part. */
export function CompanySettings() {
  const query = useCompany();
  // Kept here, so that they outlast the form, which starts anew with each stored version.
  const [part, setPart] = useState<Part>('who');
  const [former, setFormer] = useState<FormerDefault[]>([]);
  return (
    <Loaded query={query} what="the settings" lines={10}>
      {(company) => (
        <>
          {former.length > 0 && <ApplyDefaults former={former} onDone={() => setFormer([])} />}
          <CompanyForm key={company.version} company={company} part={part} onPart={setPart} onStored={setFormer} />
        </>
      )}
    </Loaded>
  );
}

function CompanyForm({
  company,
  part,
  onPart,
  onStored,
}: {
  company: CompanyView;
  part: Part;
  onPart: (part: Part) => void;
  /** Told the defaults for new customers that have changed. */
  onStored: (former: FormerDefault[]) => void;
}) {
  const [form] = Form.useForm();
  const may = useMay();
  const { send, busy, problem } = useSend(form, ofCompany, (wrong) => onPart(partOf(wrong[0]) ?? part));
  const { message } = App.useApp();
  useUnsaved(() => form.isFieldsTouched());
  const save = async () => {
    const body = asRequest(form.getFieldsValue(true) as Record<string, unknown>);
    const done = await send(() => answer(changeCompany({ body, headers: { 'If-Match': `"${company.version}"` } })));
    if (!done) return;
    onStored(changedDefaults(company, body));
    void message.success('The settings are stored. Existing customers keep what they have.');
  };
  return (
    <Form form={form} layout="vertical" onFinish={() => void save()} initialValues={asTyped(company)}>
      <ProblemNote problem={problem} />
      <Tabs
        size="small"
        activeKey={part}
        onChange={(key) => onPart(key as Part)}
        items={[
          { key: 'who', label: 'Company and dates', forceRender: true, children: <WhoPart company={company} /> },
          { key: 'customers', label: 'New customers and fields', forceRender: true, children: <CustomersPart /> },
          { key: 'books', label: 'Exposure, ageing, terms', forceRender: true, children: <BooksPart /> },
          {
            key: 'cash',
            label: 'Payments and posting accounts',
            forceRender: true,
            children: <CashPart company={company} />,
          },
          { key: 'numbers', label: 'Numbering', forceRender: true, children: <NumbersPart company={company} /> },
          { key: 'runs', label: 'Runs', forceRender: true, children: <RunsPart /> },
          { key: 'messages', label: 'E-mails', forceRender: true, children: <MessagesPart /> },
          { key: 'changes', label: 'Changes', children: <Changes /> },
        ]}
      />
      {may('manager') && (
        <div className="card pad save-line">
          <TextField name="reason" label="Reason for the change" />
          <Button type="primary" htmlType="submit" loading={busy}>
            Save the settings
          </Button>
        </div>
      )}
    </Form>
  );
}

function Changes() {
  const query = useQuery(getCompanyChangesOptions());
  return (
    <section className="card">
      <Loaded query={query} what="the changes">
        {(rows) => <ChangesTable rows={rows} />}
      </Loaded>
    </section>
  );
}
