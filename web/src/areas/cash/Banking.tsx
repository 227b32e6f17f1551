import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { Button, Checkbox, Select } from 'antd';
import { useState } from 'react';
import { Link } from 'react-router-dom';
import { ofAccounts } from '../../api/changes';
import { makeSlip, type HandReceiptPage, type OwnBankAccountView } from '../../api/generated';
import { listOwnBankAccountsOptions, listToBankOptions } from '../../api/generated/@tanstack/react-query.gen';
import { answer } from '../../api/problem';
import { useAct } from '../../form/useAct';
import { day } from '../../format/dates';
import { money } from '../../format/money';
import { useKeys } from '../../shell/keys';
import { Loaded } from '../../shell/Loaded';
import { useMay } from '../../shell/session';
import { Grid } from '../../table/Grid';
import { useListKeys } from '../../table/useListKeys';
import { Slips } from './Slips';

/** Receipts taken by hand that wait to be banked, and the slips they were banked with. */
export function Banking() {
  const query = useQuery({
    ...listToBankOptions({ query: { pageSize: 300 } }),
    placeholderData: keepPreviousData,
  });
  const own = useQuery(listOwnBankAccountsOptions());
  return (
    <div className="split journal-split">
      <Loaded query={query} what="what waits to be banked" lines={10}>
        {(page) => (
          <Loaded query={own} what="the bank accounts" lines={2}>
            {(accounts) => <ToBank page={page} accounts={accounts} />}
          </Loaded>
        )}
      </Loaded>
      <Slips />
    </div>
  );
}

function ToBank({ page, accounts }: { page: HandReceiptPage; accounts: OwnBankAccountView[] }) {
  const may = useMay();
  const act = useAct(ofAccounts);
  // One slip holds what was taken by one method in one currency; the first receipt says which.
  const kinds = [...new Set(page.items.map((r) => `${r.method} ${r.currency}`))];
  const [kind, setKind] = useState<string>();
  const shown = kind !== undefined && kinds.includes(kind) ? kind : kinds[0];
  const rows = page.items.filter((r) => `${r.method} ${r.currency}` === shown);
  const [left, setLeft] = useState<ReadonlySet<number>>(new Set());
  const chosen = rows.filter((r) => !left.has(r.posting)).slice(0, 300);
  const fitting = accounts.filter((a) => a.currency === rows[0]?.currency);
  const [account, setAccount] = useState<string>();
  const to = fitting.find((a) => a.account === account) ?? fitting[0];
  const [busy, setBusy] = useState(false);
  const toggle = (posting: number) => {
    const next = new Set(left);
    if (!next.delete(posting)) next.add(posting);
    setLeft(next);
  };
  const bank = async () => {
    if (!to || busy || chosen.length === 0) return;
    setBusy(true);
    const once = { 'Idempotency-Key': crypto.randomUUID() };
    const body = { account: to.account, receipts: chosen.map((r) => r.posting) };
    await act(() => answer(makeSlip({ body, headers: once })), 'The slip is written. Print it from the list of slips.');
    setBusy(false);
  };
  const { at } = useListKeys(rows.length, (row) => ({
    Enter: () => {
      const receipt = rows[row];
      if (receipt) toggle(receipt.posting);
    },
  }));
  useKeys({ s: () => may('controller') && void bank() });
  return (
    <div className="card" aria-label="To be banked" role="region">
      <div className="row-between pad">
        <span className="row-gap">
          <h2 className="in-hand-name">To be banked</h2>
          {kinds.length > 1 && (
            <Select
              aria-label="Taken by"
              size="small"
              value={shown}
              style={{ width: 160 }}
              onChange={setKind}
              options={kinds.map((k) => ({ value: k, label: k }))}
            />
          )}
        </span>
        {may('controller') && rows.length > 0 && (
          <span className="row-gap">
            <Select
              aria-label="Paid in to"
              value={to?.account}
              placeholder="No bank account in this currency"
              style={{ width: 250 }}
              onChange={setAccount}
              options={fitting.map((a) => ({ value: a.account, label: `${a.currency} ${a.account}` }))}
            />
            <Button type="primary" loading={busy} disabled={!to || chosen.length === 0} onClick={() => void bank()}>
              Write the slip for {chosen.length} <kbd>S</kbd>
            </Button>
          </span>
        )}
      </div>
      <Grid
        label="Receipts to be banked"
        rows={rows}
        keyOf={(r) => r.posting}
        rowClass={(_, i) => (i === at ? 'on' : undefined)}
        empty="Nothing that was taken by hand waits. A receipt taken in cash or by cheque comes here."
        columns={[
          {
            hidden: 'On the slip',
            width: 30,
            cell: (r) => (
              <Checkbox
                aria-label={`Put ${r.number} on the slip`}
                checked={!left.has(r.posting)}
                onChange={() => toggle(r.posting)}
              />
            ),
          },
          { title: 'Receipt', className: 'strong nowrap', cell: (r) => r.number },
          { title: 'Date', className: 'nowrap', cell: (r) => day(r.date) },
          {
            title: 'Customer',
            cell: (r) => <Link to={`/accounts/${encodeURIComponent(r.accountCode)}`}>{r.accountName}</Link>,
          },
          { title: 'Reference', className: 'muted small', cell: (r) => r.reference },
          { title: 'Amount', figure: true, className: 'nowrap', cell: (r) => `${money(r.amount)} ${r.currency}` },
        ]}
      />
      {page.total > page.items.length && (
        <p className="pad muted small">
          The {page.items.length} oldest of {page.total} are shown.
        </p>
      )}
    </div>
  );
}
