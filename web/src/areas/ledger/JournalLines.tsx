import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { Button, Pagination } from 'antd';
import { useState } from 'react';
import { Link } from 'react-router-dom';
import type { JournalRowView } from '../../api/generated';
import { listJournalLinesOptions } from '../../api/generated/@tanstack/react-query.gen';
import { day } from '../../format/dates';
import { money } from '../../format/money';
import { useKeys } from '../../shell/keys';
import { lazyDialog } from '../../shell/lazily';
import { Loaded } from '../../shell/Loaded';
import { Grid } from '../../table/Grid';
import { useListKeys } from '../../table/useListKeys';
import { kindNames, purposeNames } from '../../words/ledger';
import type { PostingAccount } from './postingAccount';

const ShowJournal = lazyDialog(() => import('./ShowJournal').then((m) => m.ShowJournal));
const pageSize = 100;

interface Props {
  of: PostingAccount;
  from: string;
  to: string;
  page: number;
  onPage: (page: number) => void;
  onBack: () => void;
}

/** The lines of one posting account in a period; each opens its entry. */
export function JournalLines({ of, from, to, page, onPage, onBack }: Props) {
  const [entry, setEntry] = useState<JournalRowView | null>(null);
  const query = useQuery({
    ...listJournalLinesOptions({ query: { from, to, ...of, page, pageSize } }),
    placeholderData: keepPreviousData,
  });
  const rows = query.data?.items ?? [];
  const { at } = useListKeys(rows.length, (row) => ({ Enter: () => setEntry(rows[row] ?? null) }));
  useKeys({ Escape: onBack });
  return (
    <>
      <div className="row-between pad">
        <span>
          <Button size="small" onClick={onBack}>
            All accounts <kbd>Esc</kbd>
          </Button>{' '}
          <b>
            {of.account} {purposeNames[of.purpose]}
          </b>{' '}
          <span className="muted">in {of.currency}</span>
        </span>
        {query.data && query.data.total > pageSize && (
          <Pagination
            size="small"
            current={page}
            pageSize={pageSize}
            total={query.data.total}
            showSizeChanger={false}
            onChange={onPage}
          />
        )}
      </div>
      <Loaded query={query} what="the lines" lines={10}>
        {({ items }) => (
          <Grid
            label="Lines"
            rows={items}
            keyOf={(_, i) => i}
            rowClass={(_, i) => (i === at ? 'on' : undefined)}
            empty="Nothing was posted to this account in this period."
            columns={[
              { title: 'Date', className: 'nowrap', cell: (r) => day(r.postingDate) },
              { title: 'What', className: 'nowrap', cell: (r) => kindNames[r.kind] },
              { title: 'Document', className: 'nowrap strong', cell: (r) => r.number },
              {
                title: 'Customer',
                cell: (r) =>
                  r.accountCode ? (
                    <Link to={`/accounts/${encodeURIComponent(r.accountCode)}`}>{r.accountName}</Link>
                  ) : (
                    <span className="muted">{r.text}</span>
                  ),
              },
              { title: 'Debit', figure: true, cell: (r) => money(r.debit) },
              { title: 'Credit', figure: true, cell: (r) => money(r.credit) },
              {
                hidden: 'Entry',
                figure: true,
                cell: (r) => (
                  <Button
                    size="small"
                    type="text"
                    onClick={() => setEntry(r)}
                    aria-label={`Entry ${r.entryId}, ${r.number || r.text}`}
                  >
                    Entry {r.entryId}
                  </Button>
                ),
              },
            ]}
          />
        )}
      </Loaded>
      {entry && <ShowJournal entry={entry} onClose={() => setEntry(null)} />}
    </>
  );
}
