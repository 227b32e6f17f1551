import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { Pagination, Segmented } from 'antd';
import { Link, useSearchParams } from 'react-router-dom';
import { listPostingsOptions } from '../../api/generated/@tanstack/react-query.gen';
import { day } from '../../format/dates';
import { size } from '../../format/money';
import { Loaded } from '../../shell/Loaded';
import { Grid } from '../../table/Grid';
import { Parts, usePostingActions } from '../ledger';

const kinds = [
  { value: 'receipt', label: 'Receipts' },
  { value: 'lateCharge', label: 'Late charges' },
  { value: 'reminderFee', label: 'Reminder fees' },
  { value: 'refund', label: 'Refunds' },
  { value: 'writeOff', label: 'Write-offs' },
  { value: 'correction', label: 'Corrections' },
  { value: 'amendment', label: 'Amendments' },
  { value: 'reversal', label: 'Reversals' },
];
const pageSize = 50;

/** What was posted lately over all accounts, each with its journal and its way back. */
export function PostedList() {
  const [search, setSearch] = useSearchParams();
  const to = (next: Record<string, string>) => setSearch({ show: 'posted', ...next });
  const kind = search.get('kind') ?? 'receipt';
  const page = Number(search.get('page') ?? 1);
  const { cell, dialogs } = usePostingActions();
  const query = useQuery({
    ...listPostingsOptions({ query: { kind, page, pageSize } }),
    placeholderData: keepPreviousData,
  });
  return (
    <>
      <div className="row-between" style={{ marginBottom: 10 }}>
        <Segmented value={kind} onChange={(v) => to({ kind: v })} options={kinds} aria-label="Kind of posting" />
        {query.data && (
          <Pagination
            size="small"
            current={page}
            pageSize={pageSize}
            total={query.data.total}
            showSizeChanger={false}
            onChange={(p) => to({ kind, page: String(p) })}
          />
        )}
      </div>
      <div className="card">
        <Loaded query={query} what="what was posted" lines={10}>
          {({ items }) => (
            <Grid
              label="Postings"
              rows={items}
              keyOf={(row) => row.entryId}
              empty="Nothing of this kind was posted yet. Open an account and take a payment with R."
              columns={[
                { title: 'Posted', className: 'nowrap', cell: (row) => day(row.postingDate) },
                {
                  title: 'Document',
                  className: 'strong nowrap',
                  cell: (row) => (
                    <>
                      {row.number}
                      {row.reversed && <span className="muted small"> reversed</span>}
                    </>
                  ),
                },
                {
                  title: 'Account',
                  cell: (row) => <Link to={`/accounts/${encodeURIComponent(row.accountCode)}`}>{row.accountName}</Link>,
                },
                { title: 'Text', className: 'muted small', cell: (row) => row.text },
                {
                  title: 'Credited',
                  figure: true,
                  cell: (row) =>
                    row.change.startsWith('-') ? (
                      <>
                        {size(row.change)} {row.currency}
                        <Parts row={row} />
                      </>
                    ) : (
                      ''
                    ),
                },
                {
                  title: 'Debited',
                  figure: true,
                  cell: (row) => (row.change.startsWith('-') ? '' : `${size(row.change)} ${row.currency}`),
                },
                { hidden: 'Actions', figure: true, className: 'nowrap', cell },
              ]}
            />
          )}
        </Loaded>
      </div>
      {dialogs}
    </>
  );
}
