import { Form, Input, InputNumber } from 'antd';
import type { CompanyView } from '../../api/generated';
import { Grid } from '../../table/Grid';
import { nextNumber } from './nextNumber';

const series = [
  { key: 'invoice', name: 'Invoices' },
  { key: 'creditNote', name: 'Credit notes' },
  { key: 'receipt', name: 'Receipts' },
  { key: 'lateCharge', name: 'Late charges' },
  { key: 'reminderFee', name: 'Reminder fees' },
  { key: 'reminder', name: 'Reminders' },
  { key: 'refund', name: 'Refunds' },
  { key: 'bankingSlip', name: 'Banking slips' },
  { key: 'bankFee', name: 'Bank fees' },
];

/** How documents are numbered. */
export function NumbersPart({ company }: { company: CompanyView }) {
  const typed = Form.useWatch('numbering') as CompanyView['numbering'] | undefined;
  return (
    <div className="settings">
      <section className="card pad wide">
        <h2>Numbers of documents</h2>
        <Grid
          label="Numbering"
          rows={series}
          keyOf={(s) => s.key}
          columns={[
            { title: 'Series', className: 'strong', cell: (s) => s.name },
            {
              title: 'Prefix',
              cell: ({ key, name }) => (
                <Form.Item name={['numbering', key, 'prefix']} style={{ marginBottom: 0 }}>
                  <Input aria-label={`${name}: prefix`} autoComplete="off" style={{ width: 120 }} />
                </Form.Item>
              ),
            },
            {
              title: 'Digits',
              cell: ({ key, name }) => (
                <Form.Item name={['numbering', key, 'digits']} style={{ marginBottom: 0 }}>
                  <InputNumber aria-label={`${name}: digits`} min={1} max={12} style={{ width: 80 }} />
                </Form.Item>
              ),
            },
            {
              title: 'Next number',
              cell: ({ key, name }) => (
                <Form.Item name={['numbering', key, 'next']} style={{ marginBottom: 0 }}>
                  <InputNumber aria-label={`${name}: next number`} min={1} style={{ width: 130 }} />
                </Form.Item>
              ),
            },
            {
              title: 'The next document is',
              cell: ({ key }) => nextNumber(typed?.[key] ?? company.numbering[key]),
            },
          ]}
        />
        <p className="muted small">A series goes on from a higher number, never from one that was given already.</p>
      </section>
    </div>
  );
}
