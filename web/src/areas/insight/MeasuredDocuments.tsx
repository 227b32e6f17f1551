import { useInfiniteQuery } from '@tanstack/react-query';
import { Button, Drawer } from 'antd';
import { Link } from 'react-router-dom';
import type { MeasuredPart } from '../../api/generated';
import { listMeasuredDocumentsInfiniteOptions } from '../../api/generated/@tanstack/react-query.gen';
import { day } from '../../format/dates';
import { isZero, money, withCurrency } from '../../format/money';
import { Failed, Waiting } from '../../shell/Loaded';
import { Grid } from '../../table/Grid';
import { measuredParts } from '../../words/insight';

const pageSize = 100;

/** The documents of which a measure is made; each opens its account at the item. */
export function MeasuredDocuments({
  title,
  part,
  query,
  onClose,
}: {
  title: string;
  part: MeasuredPart;
  query: Record<string, string>;
  onClose: () => void;
}) {
  const documents = useInfiniteQuery({
    ...listMeasuredDocumentsInfiniteOptions({ query: { ...query, part, pageSize } }),
    initialPageParam: 1,
    getNextPageParam: (last, all) => (all.length * pageSize < last.total ? all.length + 1 : undefined),
  });
  const rows = documents.data?.pages.flatMap((p) => p.items) ?? [];
  const first = documents.data?.pages[0];
  return (
    <Drawer open size={860} title={title} onClose={onClose}>
      {documents.isError && <Failed error={documents.error} onRetry={() => void documents.refetch()} />}
      {!first && !documents.isError && <Waiting what="the documents" />}
      {first && (
        <>
          <p className="muted small" style={{ marginTop: 0 }}>
            {measuredParts[part]}, {day(first.from)} to {day(first.to)}.{' '}
            {first.sums.map((s) => `${withCurrency(s.amount, s.currency)} in all`).join(', ')}
            {first.sums
              .filter((s) => !isZero(s.before))
              .map((s) => `, and ${withCurrency(s.before, s.currency)} settled before the books began`)
              .join('')}
            . The largest first.
          </p>
          <Grid
            label="Documents"
            rows={rows}
            keyOf={(d, n) => `${d.account} ${d.document} ${n}`}
            empty="There are none."
            columns={[
              {
                title: 'Account',
                className: 'ellipsis',
                cell: (d) => (
                  <Link to={`/accounts/${encodeURIComponent(d.account)}?item=${encodeURIComponent(d.document)}`}>
                    {d.name}
                  </Link>
                ),
              },
              { title: 'Document', className: 'nowrap', cell: (d) => d.document },
              { title: 'Day', className: 'nowrap', cell: (d) => day(d.day) },
              part === 'paid' && { title: 'Days to pay', figure: true, cell: (d) => d.daysToPay },
              part === 'paid' && { title: 'Days late', figure: true, cell: (d) => d.daysLate },
              { title: 'Cur.', cell: (d) => d.currency },
              { title: 'Amount', figure: true, className: 'strong', cell: (d) => money(d.amount) },
            ]}
          />
          {documents.hasNextPage && (
            <Button loading={documents.isFetchingNextPage} onClick={() => void documents.fetchNextPage()}>
              More of {first.total.toLocaleString('en-GB')}
            </Button>
          )}
        </>
      )}
    </Drawer>
  );
}
