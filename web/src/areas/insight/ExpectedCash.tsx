import { useInfiniteQuery } from '@tanstack/react-query';
import { Button, Drawer } from 'antd';
import { Link } from 'react-router-dom';
import type { CashCertainty } from '../../api/generated';
import { listExpectedCashInfiniteOptions } from '../../api/generated/@tanstack/react-query.gen';
import { day } from '../../format/dates';
import { money } from '../../format/money';
import { Failed, Waiting } from '../../shell/Loaded';
import { Grid } from '../../table/Grid';
import { certainties } from '../../words/insight';

const pageSize = 100;

/** A figure of the forecast: a week or none, of one certainty or of all. */
export interface CashPart {
  title: string;
  week?: number;
  certainty?: CashCertainty;
}

/** The items behind a figure of the forecast. */
export function ExpectedCash({
  part,
  query,
  onClose,
}: {
  part: CashPart;
  query: Record<string, string>;
  onClose: () => void;
}) {
  const { title, week, certainty } = part;
  const items = useInfiniteQuery({
    ...listExpectedCashInfiniteOptions({
      query: { ...query, ...(week ? { week } : {}), ...(certainty ? { certainty } : {}), pageSize },
    }),
    initialPageParam: 1,
    getNextPageParam: (last, all) => (all.length * pageSize < last.total ? all.length + 1 : undefined),
  });
  const rows = items.data?.pages.flatMap((p) => p.items) ?? [];
  const first = items.data?.pages[0];
  return (
    <Drawer open size={800} title={title} onClose={onClose}>
      {items.isError && <Failed error={items.error} onRetry={() => void items.refetch()} />}
      {!first && !items.isError && <Waiting what="the items" />}
      {first && (
        <>
          <Grid
            label="Expected"
            rows={rows}
            keyOf={(i, n) => `${i.account} ${i.document} ${n}`}
            empty="Nothing is expected here."
            columns={[
              {
                title: 'Account',
                className: 'ellipsis',
                cell: (i) => <Link to={`/accounts/${encodeURIComponent(i.account)}`}>{i.name}</Link>,
              },
              { title: 'Document', className: 'nowrap', cell: (i) => i.document },
              { title: 'Due', className: 'nowrap', cell: (i) => day(i.due) },
              { title: 'Expected', className: 'nowrap', cell: (i) => (i.on ? day(i.on) : '—') },
              { title: 'How sure', className: 'nowrap', cell: (i) => certainties[i.certainty] },
              { title: 'Amount', figure: true, cell: (i) => `${money(i.amount)} ${i.currency}` },
            ]}
          />
          {items.hasNextPage && (
            <Button
              loading={items.isFetchingNextPage}
              onClick={() => void items.fetchNextPage()}
              style={{ marginTop: 8 }}
            >
              Show more of {first.total}
            </Button>
          )}
        </>
      )}
    </Drawer>
  );
}
