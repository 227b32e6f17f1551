import { useInfiniteQuery } from '@tanstack/react-query';
import { Button, Drawer } from 'antd';
import { Link } from 'react-router-dom';
import { listAgeingItemsInfiniteOptions } from '../../api/generated/@tanstack/react-query.gen';
import { bucketName } from '../../drawings/ages';
import { day } from '../../format/dates';
import { money } from '../../format/money';
import { Failed, Waiting } from '../../shell/Loaded';
import { Grid } from '../../table/Grid';
import { itemKinds } from '../../words/ledger';
import { ageingQuery, type Within } from './ageingQuery';

const pageSize = 100;

/** A figure of an ageing: the accounts of its line, and the bucket where it is of one alone. */
export interface AgeingCell extends Within {
  name: string;
  bucket?: string;
}

/** The open items that a figure of an ageing adds up. */
export function AgeingItems({
  cell,
  query,
  onClose,
}: {
  cell: AgeingCell;
  query: Record<string, string>;
  onClose: () => void;
}) {
  const { name, ...of } = cell;
  const { asOf, basis } = query;
  const items = useInfiniteQuery({
    ...listAgeingItemsInfiniteOptions({ query: { ...ageingQuery({ asOf, basis }), ...ageingQuery(of), pageSize } }),
    initialPageParam: 1,
    getNextPageParam: (last, all) => (all.length * pageSize < last.total ? all.length + 1 : undefined),
  });
  const rows = items.data?.pages.flatMap((p) => p.items) ?? [];
  const first = items.data?.pages[0];
  return (
    <Drawer
      open
      size={760}
      title={`${name}, ${cell.currency}${cell.bucket ? `, ${bucketName(cell.bucket).toLowerCase()}` : ''}`}
      onClose={onClose}
    >
      {items.isError && <Failed error={items.error} onRetry={() => void items.refetch()} />}
      {!first && !items.isError && <Waiting what="the items" />}
      {first && (
        <>
          <p className="muted small">
            {first.total} open {first.total === 1 ? 'item' : 'items'} as shown on {day(first.asOf)}, the largest first.
          </p>
          <Grid
            label="Open items"
            rows={rows}
            keyOf={(i) => `${i.account} ${i.document}`}
            columns={[
              {
                title: 'Account',
                className: 'ellipsis',
                cell: (i) => <Link to={`/accounts/${encodeURIComponent(i.account)}`}>{i.name}</Link>,
              },
              {
                title: 'Document',
                className: 'nowrap',
                cell: (i) => (
                  <>
                    {i.document} <span className="muted small">{itemKinds[i.kind]}</span>
                  </>
                ),
              },
              { title: 'Date', className: 'nowrap', cell: (i) => day(i.date) },
              { title: 'Due', className: 'nowrap', cell: (i) => day(i.due) },
              { title: 'Days', figure: true, cell: (i) => (i.days > 0 ? i.days : '—') },
              { title: 'Open', figure: true, cell: (i) => money(i.open) },
            ]}
          />
          {items.hasNextPage && (
            <Button
              loading={items.isFetchingNextPage}
              onClick={() => void items.fetchNextPage()}
              style={{ marginTop: 8 }}
            >
              Show more
            </Button>
          )}
        </>
      )}
    </Drawer>
  );
}
