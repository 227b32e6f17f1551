import { App, Button, Form, Input, Tabs } from 'antd';
import dayjs, { type Dayjs } from 'dayjs';
import { useState } from 'react';
import { useQuery } from '@tanstack/react-query';
import { changeCompany, getCompanyChanges, type CompanyRequest, type CompanyView } from '../../api/generated';
import { answer } from '../../api/problem';
import { useCompany } from '../../api/queries';
import { iso } from '../../format/dates';
import { ChangesTable } from '../../shell/ChangesTable';
import { ProblemNote } from '../accounts/ProblemNote';
import { useSend } from '../accounts/useSend';
import { ApplyDefaults } from './ApplyDefaults';
import { BooksPart, CashPart, CustomersPart, NumbersPart, WhoPart } from './CompanyParts';
import { changedDefaults, type FormerDefault } from './changedDefaults';
import { useMay } from '../users/useSession';

export function CompanySettings() {
  const { data } = useCompany();
  // Kept here, so that the part that was open stays open when the stored settings are shown anew.
  const [part, setPart] = useState('who');
  return data ? <CompanyForm key={data.version} company={data} part={part} onPart={setPart} /> : null;
}

const lines = (text: unknown) => String(text ?? '').split('\n');

const asTyped = (company: CompanyView) => ({
  ...company,
  address: company.address.join('\n'),
  letterFoot: company.letterFoot.join('\n'),
  ageingUpTo: company.ageingUpTo.join(', '),
  ageBy: company.ageByInvoiceDate ? 'invoice' : 'due',
  closedThrough: company.closedThrough ? dayjs(company.closedThrough) : null,
  calendar: company.calendar ?? '',
  dearDiscount: company.dearDiscount ?? '',
  defaultLateChargePolicy: company.defaultLateChargePolicy ?? '',
  defaultReminderPlan: company.defaultReminderPlan ?? '',
  defaultTaxCode: company.defaultTaxCode ?? '',
  allowances: Object.entries(company.allowanceInOtherCurrencies).map(([currency, amount]) => ({ currency, amount })),
  reason: '',
});

const asRequest = (v: Record<string, unknown>): CompanyRequest => ({
  ...v,
  address: lines(v.address),
  letterFoot: lines(v.letterFoot),
  ageingUpTo: String(v.ageingUpTo).split(/[ ,]+/).filter(Boolean).map(Number),
  closedThrough: iso(v.closedThrough as Dayjs | null),
  ageByInvoiceDate: v.ageBy === 'invoice',
  allowanceInOtherCurrencies: Object.fromEntries(
    ((v.allowances ?? []) as { currency?: string; amount?: string }[]).map((a) => [a?.currency ?? '', a?.amount ?? '']),
  ),
});

// Which part of the form shows a field, so that what is wrong with it is never out of sight.
const parts: [string, RegExp][] = [
  ['customers', /^(default|customerFields)/],
  [
    'books',
    /^(reviewMonths|requestDays|netWorthShare|oldestRate|ageing|allowance|calendar|dearDiscount|longestPaymentDays)/,
  ],
  ['cash', /^(paymentMethods|postingAccounts|controlGroups)/],
  ['numbers', /^numbering/],
  ['who', /^(name|address|letterFoot|baseCurrency|rounding|timeZone|closedThrough)/],
];
const partOf = (field: string | undefined) => parts.find(([, fields]) => field && fields.test(field))?.[0];

// Kept outside the form, which starts anew with each stored version.
let askedAfterSaving: FormerDefault[] = [];

function CompanyForm({
  company,
  part,
  onPart,
}: {
  company: CompanyView;
  part: string;
  onPart: (part: string) => void;
}) {
  const [form] = Form.useForm();
  const may = useMay();
  const { send, busy, problem } = useSend(form, (wrong) => onPart(partOf(wrong[0]) ?? part));
  const { message } = App.useApp();
  const [former, setFormer] = useState(askedAfterSaving);
  const history = useQuery({
    queryKey: ['company-changes', company.version],
    queryFn: () => answer(getCompanyChanges()),
  });
  const save = async () => {
    const body = asRequest(form.getFieldsValue(true) as Record<string, unknown>);
    askedAfterSaving = changedDefaults(company, body);
    const done = await send(() => answer(changeCompany({ body, headers: { 'If-Match': `"${company.version}"` } })));
    if (done) void message.success('The settings are stored. Existing customers keep what they have.');
    else askedAfterSaving = [];
  };
  const forget = () => {
    askedAfterSaving = [];
    setFormer([]);
  };
  return (
    <Form form={form} layout="vertical" onFinish={() => void save()} initialValues={asTyped(company)}>
      <ProblemNote problem={problem} />
      {former.length > 0 && <ApplyDefaults former={former} onDone={forget} />}
      <Tabs
        size="small"
        activeKey={part}
        onChange={onPart}
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
          { key: 'numbers', label: 'Numbering', forceRender: true, children: <NumbersPart /> },
          {
            key: 'changes',
            label: 'Changes',
            children: <section className="card">{history.data && <ChangesTable rows={history.data} />}</section>,
          },
        ]}
      />
      <div className="card pad" style={{ marginTop: 14, display: 'flex', gap: 12, alignItems: 'end' }}>
        <Form.Item name="reason" label="Reason for the change" style={{ flex: 1, marginBottom: 0 }}>
          <Input />
        </Form.Item>
        {may('manager') && (
          <Button type="primary" htmlType="submit" loading={busy}>
            Save the settings
          </Button>
        )}
      </div>
    </Form>
  );
}
