import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { Button, Pagination, Select } from 'antd';
import { useState } from 'react';
import { Link } from 'react-router-dom';
import { ofAccounts } from '../../api/changes';
import { orderRefunds, type OwnBankAccountView, type RefundState } from '../../api/generated';
import {
  listOwnBankAccountsOptions,
  listPaymentFilesOptions,
  listRefundsOptions,
} from '../../api/generated/@tanstack/react-query.gen';
import { answer } from '../../api/problem';
import { useAct } from '../../form/useAct';
import { day } from '../../format/dates';
import { money } from '../../format/money';
import { useKeys } from '../../shell/keys';
import { Loaded } from '../../shell/Loaded';
import { useMay } from '../../shell/session';
import { useAddress } from '../../shell/useAddress';
import { Grid } from '../../table/Grid';

const states: Record<RefundState, string> = {
  waiting: 'waits to be ordered',
  ordered: 'ordered from the bank',
  paid: 'paid by the bank',
  reversed: 'reversed',
};
const pageSize = 50;

/** What was paid back, how far each is, and the files by which the bank is asked for it. */
export function RefundList() {
  const { search, change } = useAddress();
  const page = Number(search.get('page') ?? 1);
  const query = useQuery({ ...listRefundsOptions({ query: { page, pageSize } }), placeholderData: keepPreviousData });
  const own = useQuery(listOwnBankAccountsOptions());
  return (
    <div className="split journal-split">
      <div className="card">
        {query.data && query.data.total > pageSize && (
          <div className="pad">
            <Pagination
              size="small"
              current={page}
              pageSize={pageSize}
              total={query.data.total}
              showSizeChanger={false}
              onChange={(p) => change({ page: p > 1 ? String(p) : '' })}
            />
          </div>
        )}
        <Loaded query={query} what="the refunds" lines={10}>
          {({ items }) => (
            <Grid
              label="Refunds"
              rows={items}
              keyOf={(r) => r.id}
              empty="Nothing was paid back yet. Open an account with a credit and pay it back with P."
              columns={[
                { title: 'Posted', className: 'nowrap', cell: (r) => day(r.postingDate) },
                { title: 'Refund', className: 'strong nowrap', cell: (r) => r.number },
                {
                  title: 'To',
                  cell: (r) => (
                    <>
                      <Link to={`/accounts/${encodeURIComponent(r.accountCode)}`}>{r.accountName}</Link>
                      <div className="small muted">{r.bankAccount}</div>
                    </>
                  ),
                },
                { title: 'Amount', figure: true, className: 'nowrap', cell: (r) => `${money(r.amount)} ${r.currency}` },
                { title: 'State', cell: (r) => `${states[r.state]}${r.file ? `, file ${r.file}` : ''}` },
              ]}
            />
          )}
        </Loaded>
      </div>
      <Loaded query={own} what="the bank accounts" lines={3}>
        {(accounts) => <Files accounts={accounts} />}
      </Loaded>
    </div>
  );
}

function Files({ accounts }: { accounts: OwnBankAccountView[] }) {
  const may = useMay();
  const act = useAct(ofAccounts);
  const [account, setAccount] = useState(accounts[0]?.account ?? '');
  const [busy, setBusy] = useState(false);
  const query = useQuery(listPaymentFilesOptions());
  const order = async () => {
    if (busy || account === '') return;
    setBusy(true);
    const once = { 'Idempotency-Key': crypto.randomUUID() };
    await act(() => answer(orderRefunds({ body: { account }, headers: once })), 'The file for the bank is ready.');
    setBusy(false);
  };
  useKeys({ o: () => may('controller') && void order() });
  return (
    <section className="card" aria-label="Payment files">
      <div className="pad">
        <h2 className="in-hand-name">Payment files</h2>
        <p className="small muted">
          A file holds every refund that waits in the currency of the bank account. Each stands in one file at most.
        </p>
        {may('controller') && (
          <div className="row-gap">
            <Select
              aria-label="Paid from"
              value={account || undefined}
              placeholder="Add a bank account of the company first"
              style={{ width: 250 }}
              onChange={setAccount}
              options={accounts.map((a) => ({ value: a.account, label: `${a.currency} ${a.account}` }))}
            />
            <Button type="primary" loading={busy} disabled={account === ''} onClick={() => void order()}>
              Order <kbd>O</kbd>
            </Button>
          </div>
        )}
      </div>
      <Loaded query={query} what="the payment files" lines={3}>
        {({ items }) => (
          <Grid
            label="Files"
            rows={items}
            keyOf={(f) => f.id}
            empty="The bank was asked for nothing yet."
            columns={[
              { title: 'File', figure: true, cell: (f) => f.id },
              { title: 'For', className: 'nowrap', cell: (f) => day(f.executeOn) },
              { title: 'Refunds', figure: true, cell: (f) => f.refunds },
              { title: 'Sum', figure: true, className: 'nowrap', cell: (f) => `${money(f.amount)} ${f.currency}` },
              {
                hidden: 'Download',
                cell: (f) => (
                  <a href={`/api/payment-files/${f.id}/file`} aria-label={`Payment file ${f.id}`}>
                    XML
                  </a>
                ),
              },
            ]}
          />
        )}
      </Loaded>
    </section>
  );
}
