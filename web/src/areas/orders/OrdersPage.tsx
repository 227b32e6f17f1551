import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { Button, Segmented } from 'antd';
import { useState } from 'react';
import { listOrdersOptions } from '../../api/generated/@tanstack/react-query.gen';
import { useCompany } from '../../api/queries';
import { useKeys } from '../../shell/keys';
import { lazyDialog } from '../../shell/lazily';
import { Loaded } from '../../shell/Loaded';
import { useMay } from '../../shell/session';
import { useAddress } from '../../shell/useAddress';
import { download, ExportMenu } from '../../table/ExportMenu';
import { stepped } from '../../table/useListKeys';
import { OrderDetail } from './OrderDetail';
import { OrderEntry } from './OrderEntry';

const EnterOrder = lazyDialog(() => import('./EnterOrder').then((m) => m.EnterOrder));
const OrderFile = lazyDialog(() => import('./OrderFile').then((m) => m.OrderFile));

/** Orders: the held ones as a queue at the left, the chosen one with its check and decisions beside it. */
export function OrdersPage() {
  const { search, change, replace } = useAddress();
  const show = search.get('show') ?? 'held';
  const company = useCompany();
  const may = useMay();
  const [importing, setImporting] = useState(false);
  const orders = useQuery({ ...listOrdersOptions({ query: { show } }), placeholderData: keepPreviousData });
  const rows = orders.data?.items ?? [];
  const wanted = Number(search.get('id'));
  const chosen = wanted || rows[0]?.id;
  const step = (by: number) => {
    const at = rows.findIndex((r) => r.id === chosen);
    const next = rows[stepped(at, by, rows.length)];
    if (next) change({ id: String(next.id) });
  };
  useKeys({
    j: () => step(1),
    k: () => step(-1),
    ArrowDown: () => step(1),
    ArrowUp: () => step(-1),
    o: () => may('controller') && change({ new: '1' }),
  });
  const today = company.data?.businessDate;
  return (
    <div className="page sheet orders-sheet">
      <div className="headline">
        <h1>Orders</h1>
        <Segmented
          aria-label="Which orders"
          value={show}
          onChange={(v) => change({ show: v === 'held' ? '' : v, id: '' })}
          options={[
            { value: 'held', label: `Held ${orders.data?.held ?? ''}` },
            { value: 'open', label: 'Open' },
            { value: 'all', label: 'All' },
          ]}
        />
        <span className="actions">
          <ExportMenu
            items={['csv', 'xlsx'].map((f) =>
              download(f, `/api/orders/export?show=${show}&format=${f}`, `What is shown, as ${f.toUpperCase()}`),
            )}
          />
          {may('controller') && (
            <>
              <Button onClick={() => setImporting(true)}>Import orders</Button>
              <Button type="primary" onClick={() => change({ new: '1' })}>
                Check an order <kbd>O</kbd>
              </Button>
            </>
          )}
        </span>
      </div>
      <div className="split">
        <div className="card queue" role={rows.length > 0 ? 'list' : 'region'} aria-label="Orders" tabIndex={0}>
          <Loaded query={orders} what="the orders" lines={10}>
            {({ items }) =>
              items.length === 0 ? (
                <p className="pad muted">
                  {show === 'held'
                    ? 'No order is held. Check a new one with O, or look at the open ones.'
                    : 'There are no orders here yet. Check one with O, or import them from a file.'}
                </p>
              ) : (
                items.map((o) => (
                  <OrderEntry key={o.id} order={o} on={o.id === chosen} onChoose={() => change({ id: String(o.id) })} />
                ))
              )
            }
          </Loaded>
        </div>
        <div>{chosen && today ? <OrderDetail key={chosen} id={chosen} today={today} /> : null}</div>
      </div>
      {search.get('new') && today && (
        <EnterOrder
          account={search.get('account') ?? undefined}
          today={today}
          onClose={() => change({ new: '', account: '' })}
          onDone={(id) => replace(new URLSearchParams({ show: 'open', id: String(id) }).toString())}
        />
      )}
      {importing && <OrderFile onClose={() => setImporting(false)} />}
    </div>
  );
}
