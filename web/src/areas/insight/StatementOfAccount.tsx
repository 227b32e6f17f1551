import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { Button } from 'antd';
import dayjs from 'dayjs';
import { useState } from 'react';
import type { AccountStatementView } from '../../api/generated';
import { getAccountStatementOptions } from '../../api/generated/@tanstack/react-query.gen';
import { bucketName } from '../../drawings/ages';
import { PeriodInput } from '../../form/PeriodInput';
import { day, iso } from '../../format/dates';
import { isZero, money, moneyOrDash, withCurrency } from '../../format/money';
import { Loaded } from '../../shell/Loaded';
import { useMay } from '../../shell/session';
import { download, ExportMenu } from '../../table/ExportMenu';
import { Grid } from '../../table/Grid';
import { statementLines } from '../../words/ledger';
import { SendDocument } from '../outbox';
import { useMailing } from './useMailing';

const formats = [
  ['pdf', 'PDF'],
  ['ubl', 'UBL 2.1'],
  ['csv', 'CSV'],
  ['xlsx', 'XLSX'],
] as const;

/** The statement of an account over a period, as the customer gets it. */
export function StatementOfAccount({ code, today }: { code: string; today: string }) {
  const may = useMay();
  const [period, setPeriod] = useState({
    from: iso(dayjs(today).startOf('month').subtract(1, 'month')) ?? today,
    to: today,
  });
  const [sending, setSending] = useState(false);
  const query = useQuery({
    ...getAccountStatementOptions({ path: { code }, query: period }),
    placeholderData: keepPreviousData,
  });
  const mailing = useMailing('statement', { of: code }, 'This statement');
  const file = (format: string) =>
    `/api/accounts/${encodeURIComponent(code)}/statement/file?${new URLSearchParams({ ...period, format }).toString()}`;
  return (
    <div className="tab-part">
      <div className="row-between" style={{ marginBottom: 10 }}>
        <PeriodInput
          aria-label="Period of the statement"
          value={[dayjs(period.from), dayjs(period.to)]}
          onChange={(next) => {
            setPeriod({ from: iso(next[0]) ?? '', to: iso(next[1]) ?? '' });
          }}
        />
        <span className="row-gap">
          <ExportMenu
            items={[
              ...formats.map(([format, name]) => download(format, file(format), `This period, as ${name}`)),
              ...mailing.entries,
            ]}
          />
          {mailing.dialog}
          {may('controller') && <Button onClick={() => setSending(true)}>Send it</Button>}
        </span>
      </div>
      <Loaded query={query} what="the statement" lines={8}>
        {(s) => <Lines s={s} />}
      </Loaded>
      {sending && (
        <SendDocument
          what={{ statement: { account: code, ...period } }}
          title={`the statement to ${day(period.to)}`}
          account={code}
          onClose={() => setSending(false)}
        />
      )}
    </div>
  );
}

/** An item is due on its due date and overdue from the next day: beside "Due" this bucket is not overdue. */
const ageOf = (bucket: string) => (bucket === 'notDue' ? 'Not overdue' : bucketName(bucket));

const Lines = ({ s }: { s: AccountStatementView }) => (
  <>
    <p className="statement-sums">
      <span>
        Opening <b>{money(s.opening)}</b>
      </span>
      <span>
        Debits <b>{money(s.debits)}</b>
      </span>
      <span>
        Credits <b>{money(s.credits)}</b>
      </span>
      <span>
        Closing <b>{withCurrency(s.closing, s.currency)}</b>
      </span>
      <span>
        Due <b>{withCurrency(s.due, s.currency)}</b>
      </span>
      <span>
        Not due yet <b>{money(s.notDue)}</b>
      </span>
      {s.ageing
        .filter((a) => !isZero(a.amount))
        .map((a) => (
          <span key={a.bucket} className="muted">
            {ageOf(a.bucket)} {money(a.amount)}
          </span>
        ))}
    </p>
    <Grid
      label="Statement"
      rows={s.movements}
      keyOf={(_, i) => i}
      empty="Nothing moved in this period."
      columns={[
        { title: 'Value date', className: 'nowrap', cell: (l) => day(l.date) },
        { title: 'What', className: 'nowrap', cell: (l) => statementLines[l.kind] },
        { title: 'Document', className: 'strong nowrap', cell: (l) => l.document },
        { title: 'Debit', figure: true, cell: (l) => moneyOrDash(l.debit) },
        { title: 'Credit', figure: true, cell: (l) => moneyOrDash(l.credit) },
        { title: 'Balance', figure: true, cell: (l) => money(l.balance) },
      ]}
    />
  </>
);
