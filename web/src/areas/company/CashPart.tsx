import { Form, Input } from 'antd';
import type { CompanyView, PostingPurpose } from '../../api/generated';
import { Rows } from '../../form/Rows';
import { purposeNames } from '../../words/ledger';
import { OwnBankAccounts } from '../cash';

/** How money comes in and where everything is posted. */
export const CashPart = ({ company }: { company: CompanyView }) => (
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
          { name: 'byHand', label: 'by hand', kind: 'check', width: '90px' },
        ]}
      />
      <p className="muted small">
        Without an account of its own a method posts to {company.postingAccounts.bank}, the bank below. Money that is
        taken by hand is banked on slips.
      </p>
    </section>
    <section className="card pad wide">
      <h2>Our bank accounts</h2>
      <OwnBankAccounts methods={company.paymentMethods} />
    </section>
    <section className="card pad">
      <h2>Posting accounts</h2>
      {(Object.keys(purposeNames) as PostingPurpose[]).map((purpose) => (
        <Form.Item
          key={purpose}
          name={['postingAccounts', purpose]}
          label={purposeNames[purpose]}
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
