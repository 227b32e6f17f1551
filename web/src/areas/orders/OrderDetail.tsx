import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import type { OrderPage } from '../../api/generated';
import { getOrderOptions } from '../../api/generated/@tanstack/react-query.gen';
import { day } from '../../format/dates';
import { isZero, money, moneyOrDash } from '../../format/money';
import { useKeys } from '../../shell/keys';
import { lazyDialog } from '../../shell/lazily';
import { Loaded } from '../../shell/Loaded';
import { useMay } from '../../shell/session';
import { Grid } from '../../table/Grid';
import { Lines } from '../../table/Lines';
import { isOver, stepNames } from '../../words/orders';
import { promiseStates, wasBroken } from '../../words/promises';
import { CheckPanel } from '../checks';
import { WriteInvoice } from '../invoices';
import type { Deed } from './deeds';
import { OrderBars } from './OrderBars';
import { OrderHead } from './OrderHead';

const DecideOrder = lazyDialog(() => import('./DecideOrder').then((m) => m.DecideOrder));

/** One order: what it does to the limit, what stands against it, and what can be decided. */
export function OrderDetail({ id, today }: { id: number; today: string }) {
  const query = useQuery(getOrderOptions({ path: { id } }));
  return (
    <Loaded query={query} what="the order" lines={10}>
      {(page) => <OneOrder page={page} today={today} />}
    </Loaded>
  );
}

function OneOrder({ page, today }: { page: OrderPage; today: string }) {
  const { order } = page;
  const [deed, setDeed] = useState<Deed | 'invoice' | null>(null);
  const may = useMay();
  const held = !isZero(order.held);
  const can = may('controller') && !isOver[order.state];
  const invoices = can && !isZero(order.notInvoiced);
  useKeys({
    ...(can && held ? { r: () => setDeed('release'), d: () => setDeed('deposit'), x: () => setDeed('decline') } : {}),
    ...(can ? { c: () => setDeed('change') } : {}),
    ...(invoices ? { v: () => setDeed('invoice') } : {}),
  });
  return (
    <section className="card pad" aria-label={`Order ${order.number}`}>
      <OrderHead order={order} can={can} onDeed={setDeed} />
      <OrderBars before={page.before} after={held ? page.after : undefined} />
      <div className="cards" style={{ marginTop: 10 }}>
        <section aria-label="The order">
          <h3>The order</h3>
          <Lines
            lines={[
              { name: 'Ordered', value: money(order.total) },
              {
                name: 'Approved',
                value: moneyOrDash(order.approved) + (order.until ? ` until ${day(order.until)}` : ''),
              },
              { name: 'Invoiced', value: moneyOrDash(order.invoiced) },
              { name: 'Held', value: moneyOrDash(order.held) },
              { name: 'Date', value: day(order.date) },
              order.deliveries.length > 0 && {
                name: 'Deliveries',
                value: order.deliveries.map((d) => `${day(d.on)} ${money(d.amount)}`).join(', '),
              },
              order.deposit && {
                name: 'Deposit asked for',
                value: `${money(order.deposit)}; ${money(order.onAccount)} is on account`,
              },
              order.terms && { name: 'Terms of its own', value: order.terms },
              order.reference && { name: 'Reference', value: order.reference },
            ]}
          />
        </section>
        <section aria-label="What the customer owes">
          <h3>What the customer owes</h3>
          <Lines
            lines={[
              { name: 'Open items', value: money(page.before.openItems) },
              {
                name: `Overdue${page.oldestDays > 0 ? `, the oldest ${page.oldestDays} days` : ''}`,
                value: moneyOrDash(page.overdue),
              },
              ...page.promises.slice(0, 3).map((p) => ({
                name: `Promised by ${day(p.dueOn)}`,
                value: `${money(p.amount)}, ${promiseStates[p.state]}`,
                tone: wasBroken(p.state) ? ('alarm' as const) : undefined,
              })),
            ]}
          />
        </section>
      </div>
      {held && (
        <div style={{ marginTop: 10 }}>
          <h3>The check as of now</h3>
          <CheckPanel check={page.check} />
        </div>
      )}
      <h3 style={{ marginTop: 10 }}>History</h3>
      <Grid
        label="History of the order"
        bare
        rows={page.events}
        keyOf={(e) => e.seq}
        columns={[
          { className: 'nowrap', cell: (e) => day(e.on) },
          { className: 'strong nowrap', cell: (e) => stepNames[e.kind] },
          { figure: true, cell: (e) => `${money(e.approved)} of ${money(e.total)}` },
          {
            className: 'small',
            cell: (e) =>
              [e.reason, e.deposit && `deposit ${money(e.deposit)}`, e.until && `until ${day(e.until)}`]
                .filter(Boolean)
                .join(' '),
          },
          { className: 'small muted', cell: (e) => e.madeBy },
        ]}
      />
      {deed === 'invoice' && (
        <WriteInvoice
          account={{ code: order.account, name: order.accountName, currency: order.currency }}
          order={order}
          today={today}
          onClose={() => setDeed(null)}
        />
      )}
      {deed && deed !== 'invoice' && <DecideOrder order={order} deed={deed} onClose={() => setDeed(null)} />}
    </section>
  );
}
