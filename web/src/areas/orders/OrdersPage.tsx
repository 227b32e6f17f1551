import { useQuery } from '@tanstack/react-query';
import { Alert, Button, Dropdown, Segmented } from 'antd';
import { useState } from 'react';
import { useSearchParams } from 'react-router-dom';
import { listOrders } from '../../api/generated';
import { answer, asProblem } from '../../api/problem';
import { useCompany } from '../../api/queries';
import { LimitBar } from '../../drawings/LimitBar';
import { day } from '../../format/dates';
import { isZero, money } from '../../format/money';
import { useKeys } from '../../shell/keys';
import { useMay } from '../users/useSession';
import { KeptFindings } from './CheckPanel';
import { EnterOrder } from './EnterOrder';
import { OrderDetail } from './OrderDetail';
import { OrderFile } from './OrderFile';
import { orderStates } from './states';

/** Orders: the held ones as a queue at the left, the chosen one with its check and decisions beside it. */
export function OrdersPage() {
  const [search, setSearch] = useSearchParams();
  const show = search.get('show') ?? 'held';
  const company = useCompany();
  const may = useMay();
  const [bringing, setBringing] = useState(false);
  const orders = useQuery({
    queryKey: ['orders', show],
    queryFn: () => answer(listOrders({ query: { show } })),
    placeholderData: (d) => d,
  });
  const rows = orders.data?.items ?? [];
  const wanted = Number(search.get('id'));
  const chosen = wanted || rows[0]?.id;
  const at = rows.findIndex((r) => r.id === chosen);
  const set = (next: Record<string, string>) => {
    const params = new URLSearchParams(search);
    for (const [k, v] of Object.entries(next)) {
      if (v) params.set(k, v);
      else params.delete(k);
    }
    setSearch(params, { replace: true });
  };
  const step = (by: number) => {
    const next = rows[Math.max(0, Math.min(rows.length - 1, at + by))];
    if (next) set({ id: String(next.id) });
  };
  useKeys({
    j: () => step(1),
    k: () => step(-1),
    ArrowDown: () => step(1),
    ArrowUp: () => step(-1),
    o: () => may('controller') && set({ new: '1' }),
  });
  return (
    <div className="page" style={{ display: 'grid', gridTemplateRows: 'auto 1fr', gap: 10, overflow: 'hidden' }}>
      <div className="headline" style={{ marginBottom: 0 }}>
        <h1>Orders</h1>
        <Segmented
          aria-label="Which orders"
          value={show}
          onChange={(v) => set({ show: v === 'held' ? '' : v, id: '' })}
          options={[
            { value: 'held', label: `Held ${orders.data?.held ?? ''}` },
            { value: 'open', label: 'Open' },
            { value: 'all', label: 'All' },
          ]}
        />
        <Dropdown
          trigger={['click']}
          menu={{
            items: ['csv', 'xlsx'].map((f) => ({
              key: f,
              label: <a href={`/api/orders/export?show=${show}&format=${f}`}>What is shown, as {f.toUpperCase()}</a>,
            })),
          }}
        >
          <Button style={{ marginLeft: 'auto' }}>Export</Button>
        </Dropdown>
        {may('controller') && (
          <span style={{ display: 'flex', gap: 8 }}>
            <Button onClick={() => setBringing(true)}>Bring orders in</Button>
            <Button type="primary" onClick={() => set({ new: '1' })}>
              Check an order <kbd>O</kbd>
            </Button>
          </span>
        )}
      </div>
      {orders.isError && (
        <Alert
          type="error"
          showIcon
          title={asProblem(orders.error).title}
          description={asProblem(orders.error).detail}
        />
      )}
      <div className="split">
        <div className="card queue" role={rows.length > 0 ? 'list' : 'region'} aria-label="Orders" tabIndex={0}>
          {rows.map((o) => (
            <div
              key={o.id}
              role="listitem"
              className={`entry${o.id === chosen ? ' on' : ''}`}
              onClick={() => set({ id: String(o.id) })}
            >
              <div className="row-between" style={{ flexWrap: 'nowrap' }}>
                <button
                  type="button"
                  className="linkish strong ellipsis"
                  aria-current={o.id === chosen ? 'true' : undefined}
                  onClick={() => set({ id: String(o.id) })}
                >
                  {o.number} · {o.accountName}
                </button>
                <span className="figure strong">
                  {money(isZero(o.held) ? o.total : o.held)} <span className="muted small">{o.currency}</span>
                </span>
              </div>
              <div className="row-between small muted" style={{ flexWrap: 'nowrap' }}>
                <span>
                  {orderStates[o.state]}
                  {o.deposit ? ` of ${money(o.deposit)}` : ''}
                </span>
                <span>{day(o.date)}</span>
              </div>
              {!isZero(o.held) && (
                <div style={{ margin: '4px 0' }}>
                  <LimitBar row={o.with} />
                </div>
              )}
              <KeptFindings findings={isZero(o.held) ? [] : o.findings} />
            </div>
          ))}
          {orders.data && rows.length === 0 && (
            <p className="pad muted">
              {show === 'held'
                ? 'No order is held. Check a new one with O, or look at the open ones.'
                : 'There are no orders here yet. Check one with O, or bring them in from a file.'}
            </p>
          )}
        </div>
        <div>{chosen ? <OrderDetail key={chosen} id={chosen} today={company.data?.businessDate ?? ''} /> : null}</div>
      </div>
      {search.get('new') && company.data && (
        <EnterOrder
          account={search.get('account') ?? undefined}
          today={company.data.businessDate}
          onClose={() => set({ new: '', account: '' })}
          onDone={(id) => setSearch(new URLSearchParams({ show: 'open', id: String(id) }))}
        />
      )}
      {bringing && <OrderFile onClose={() => setBringing(false)} />}
    </div>
  );
}
