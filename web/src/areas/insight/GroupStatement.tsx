import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { Link } from 'react-router-dom';
import { getGroupStatementOptions } from '../../api/generated/@tanstack/react-query.gen';
import { money, withCurrency } from '../../format/money';
import { Loaded } from '../../shell/Loaded';
import { download, ExportMenu } from '../../table/ExportMenu';
import { Grid } from '../../table/Grid';
import { Period } from './Period';
import { useMailing } from './useMailing';

/** The statement of a group: its accounts side by side, and as a file with the statement of each. */
export function GroupStatement({ name }: { name: string }) {
  const [period, setPeriod] = useState<{ from: string; to: string }>();
  const query = useQuery({
    ...getGroupStatementOptions({ path: { name }, query: period ?? {} }),
    placeholderData: keepPreviousData,
  });
  const mailing = useMailing('groupStatement', { of: name }, 'This statement');
  const file = (format: string) =>
    `/api/groups/${encodeURIComponent(name)}/statement/file?${new URLSearchParams({ ...period, format }).toString()}`;
  return (
    <section className="card" aria-label="Statement" style={{ marginBottom: 10 }}>
      <div className="row-between pad">
        <h2 style={{ margin: 0 }}>Statement, by value</h2>
        <span className="row-gap">
          <Period from={query.data?.from} to={query.data?.to} onChange={setPeriod} />
          <ExportMenu
            items={[
              download('pdf', file('pdf'), 'With the statement of each account, to print'),
              download('ubl', file('ubl'), 'UBL 2.1 Statement, one for each currency'),
              download('csv', file('csv'), 'All lines, as CSV'),
              download('xlsx', file('xlsx'), 'All lines, as XLSX'),
              ...mailing.entries,
            ]}
          />
          {mailing.dialog}
        </span>
      </div>
      <Loaded query={query} what="the statement" lines={3}>
        {(s) => (
          <Grid
            label="Statement of the group"
            rows={[...s.accounts, ...s.sums]}
            keyOf={(l) => `${l.code} ${l.currency}`}
            rowClass={(l) => (l.code ? undefined : 'strong')}
            empty="Nothing moved in this period, and nothing is open."
            columns={[
              {
                title: 'Account',
                cell: (l) =>
                  l.code ? <Link to={`/accounts/${encodeURIComponent(l.code)}`}>{l.name}</Link> : `Total ${l.currency}`,
              },
              { title: 'Opening', figure: true, cell: (l) => money(l.opening) },
              { title: 'Debits', figure: true, cell: (l) => money(l.debits) },
              { title: 'Credits', figure: true, cell: (l) => money(l.credits) },
              { title: 'Closing', figure: true, cell: (l) => withCurrency(l.closing, l.currency) },
              { title: 'Due', figure: true, cell: (l) => money(l.due) },
            ]}
          />
        )}
      </Loaded>
    </section>
  );
}
