import { useQuery } from '@tanstack/react-query';
import { Pagination, Segmented } from 'antd';
import { Link, useSearchParams } from 'react-router-dom';
import { listPostings } from '../../api/generated';
import { answer } from '../../api/problem';
import { day } from '../../format/dates';
import { size } from '../../format/money';
import { usePostingActions } from '../accounts/actions/usePostingActions';

const kinds = [
  { value: 'receipt', label: 'Receipts' },
  { value: 'lateCharge', label: 'Late charges' },
  { value: 'reminderFee', label: 'Reminder fees' },
  { value: 'reversal', label: 'Reversals' },
];
const pageSize = 50;

/** What was posted lately over all accounts, each with its journal and its way back. */
export function CashPage() {
  const [search, setSearch] = useSearchParams();
  const kind = search.get('kind') ?? 'receipt';
  const page = Number(search.get('page') ?? 1);
  const { cell, dialogs } = usePostingActions();
  const { data } = useQuery({
    queryKey: ['postings', kind, page],
    queryFn: () => answer(listPostings({ query: { kind, page, pageSize } })),
    placeholderData: (d) => d,
  });
  return (
    <div className="page">
      <div className="headline">
        <h1>Cash</h1>
        <span className="muted">
          Take a payment on the account it is for; what was posted stands here and can be reversed.
        </span>
      </div>
      <div className="row-between" style={{ marginBottom: 10 }}>
        <Segmented value={kind} onChange={(v) => setSearch({ kind: v })} options={kinds} aria-label="Kind of posting" />
        {data && (
          <Pagination
            size="small"
            current={page}
            pageSize={pageSize}
            total={data.total}
            showSizeChanger={false}
            onChange={(p) => setSearch({ kind, page: String(p) })}
          />
        )}
      </div>
      <div className="card">
        <table className="grid" aria-label="Postings">
          <thead>
            <tr>
              <th>Posted</th>
              <th>Document</th>
              <th>Account</th>
              <th>Text</th>
              <th className="figure">Taken off the account</th>
              <th className="figure">Put on the account</th>
              <th>
                <span className="hidden-text">Actions</span>
              </th>
            </tr>
          </thead>
          <tbody>
            {data?.items.map((row) => (
              <tr key={row.entryId}>
                <td className="nowrap">{day(row.postingDate)}</td>
                <td className="strong nowrap">
                  {row.number}
                  {row.reversed && <span className="muted small"> reversed</span>}
                </td>
                <td>
                  <Link to={`/accounts/${encodeURIComponent(row.accountCode)}`}>{row.accountName}</Link>
                </td>
                <td className="muted small">{row.text}</td>
                <td className="figure">{row.change.startsWith('-') ? `${size(row.change)} ${row.currency}` : ''}</td>
                <td className="figure">{row.change.startsWith('-') ? '' : `${size(row.change)} ${row.currency}`}</td>
                {cell(row)}
              </tr>
            ))}
          </tbody>
        </table>
        {data?.items.length === 0 && (
          <p className="pad muted">Nothing of this kind was posted yet. Open an account and take a payment with R.</p>
        )}
      </div>
      {dialogs}
    </div>
  );
}
