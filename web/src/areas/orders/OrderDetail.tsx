import { useQuery } from '@tanstack/react-query';
import { Alert, Button } from 'antd';
import { useState } from 'react';
import { Link } from 'react-router-dom';
import { getOrder } from '../../api/generated';
import { answer, asProblem } from '../../api/problem';
import { LimitBar } from '../../drawings/LimitBar';
import { day } from '../../format/dates';
import { isNegative, isZero, money, moneyOrDash, size } from '../../format/money';
import { useKeys } from '../../shell/keys';
import { promiseStates } from '../accounts/promiseStates';
import { useMay } from '../users/useSession';
import { CheckPanel } from './CheckPanel';
import { DecideOrder, type Deed } from './DecideOrder';
import { InvoiceOrder } from './InvoiceOrder';
import { orderStates, stepNames } from './states';

const deeds: [Deed, string, string][] = [
  ['release', 'Release', 'R'],
  ['deposit', 'Ask for a deposit', 'D'],
  ['decline', 'Decline', 'X'],
];

/** One order: what it does to the limit, what stands against it, and what can be decided. */
export function OrderDetail({ id, today }: { id: number; today: string }) {
  const { data, isError, error } = useQuery({
    queryKey: ['order', id],
    queryFn: () => answer(getOrder({ path: { id } })),
  });
  const [deed, setDeed] = useState<Deed | 'invoice' | null>(null);
  const may = useMay();
  const order = data?.order;
  const held = order !== undefined && !isZero(order.held);
  const over = order !== undefined && ['invoiced', 'declined', 'closed'].includes(order.state);
  const can = may('controller') && order !== undefined && !over;
  useKeys({
    ...(can && held ? { r: () => setDeed('release'), d: () => setDeed('deposit'), x: () => setDeed('decline') } : {}),
    ...(can ? { c: () => setDeed('change') } : {}),
    ...(can && order && !isZero(order.notInvoiced) ? { v: () => setDeed('invoice') } : {}),
  });
  if (isError)
    return <Alert type="error" showIcon title={asProblem(error).title} description={asProblem(error).detail} />;
  if (!data || !order) return <p className="muted pad">Loading …</p>;
  return (
    <section className="card pad" aria-label={`Order ${order.number}`}>
      <div className="headline">
        <h2>
          {order.number} · <Link to={`/accounts/${encodeURIComponent(order.account)}`}>{order.accountName}</Link>
        </h2>
        <span className="muted">{orderStates[order.state]}</span>
        {order.accountState !== 'open' && (
          <span className={`badge ${order.accountState}`}>
            {order.accountState === 'stop' ? 'On stop' : 'On watch'}
          </span>
        )}
      </div>
      {can && (
        <div style={{ display: 'flex', gap: 6, flexWrap: 'wrap', margin: '6px 0 10px' }}>
          {held &&
            deeds.map(([name, label, key]) => (
              <Button
                key={name}
                size="small"
                type={name === 'release' ? 'primary' : 'default'}
                onClick={() => setDeed(name)}
              >
                {label}
                <kbd>{key}</kbd>
              </Button>
            ))}
          {!isZero(order.notInvoiced) && (
            <Button size="small" type={held ? 'default' : 'primary'} onClick={() => setDeed('invoice')}>
              Invoice<kbd>V</kbd>
            </Button>
          )}
          <Button size="small" onClick={() => setDeed('change')}>
            Change the amount<kbd>C</kbd>
          </Button>
          <Button size="small" onClick={() => setDeed('close')}>
            Close
          </Button>
        </div>
      )}
      <table className="lines">
        <tbody>
          <tr>
            <th scope="row">As it stands</th>
            <td style={{ width: '55%' }}>
              <LimitBar row={data.before} />
            </td>
            <td className={`figure${isNegative(data.before.headroom) ? ' alarm' : ''}`}>
              {isNegative(data.before.headroom)
                ? `Over by ${size(data.before.headroom)}`
                : `${money(data.before.headroom)} left`}
            </td>
          </tr>
          {held && (
            <tr>
              <th scope="row">With what is held</th>
              <td>
                <LimitBar row={data.after} />
              </td>
              <td className={`figure strong${isNegative(data.after.headroom) ? ' alarm' : ''}`}>
                {isNegative(data.after.headroom)
                  ? `Over by ${size(data.after.headroom)}`
                  : `${money(data.after.headroom)} left`}
              </td>
            </tr>
          )}
        </tbody>
      </table>
      <div className="cards" style={{ marginTop: 10 }}>
        <section aria-label="The order">
          <h3>The order</h3>
          <table className="lines">
            <tbody>
              {(
                [
                  ['Ordered', money(order.total)],
                  ['Approved', moneyOrDash(order.approved) + (order.until ? ` until ${day(order.until)}` : '')],
                  ['Invoiced', moneyOrDash(order.invoiced)],
                  ['Held', moneyOrDash(order.held)],
                  ['Date', day(order.date)],
                  ...(order.deliveries.length > 0
                    ? [
                        ['Deliveries', order.deliveries.map((d) => `${day(d.on)} ${money(d.amount)}`).join(', ')] as [
                          string,
                          string,
                        ],
                      ]
                    : []),
                  ...(order.deposit
                    ? [
                        ['Deposit asked', `${money(order.deposit)}; ${money(order.onAccount)} is on account`] as [
                          string,
                          string,
                        ],
                      ]
                    : []),
                  ...(order.reference ? [['Reference', order.reference] as [string, string]] : []),
                ] as [string, string][]
              ).map(([name, value]) => (
                <tr key={name}>
                  <th scope="row">{name}</th>
                  <td className="figure" style={{ whiteSpace: 'normal' }}>
                    {value}
                  </td>
                </tr>
              ))}
            </tbody>
          </table>
        </section>
        <section aria-label="What the customer owes">
          <h3>What the customer owes</h3>
          <table className="lines">
            <tbody>
              <tr>
                <th scope="row">Open items</th>
                <td className="figure">{money(data.before.openItems)}</td>
              </tr>
              <tr>
                <th scope="row">Overdue{data.oldestDays > 0 ? `, the oldest ${data.oldestDays} days` : ''}</th>
                <td className="figure">{moneyOrDash(data.overdue)}</td>
              </tr>
              {data.promises.slice(0, 3).map((p) => (
                <tr key={p.id}>
                  <th scope="row">Promised by {day(p.dueOn)}</th>
                  <td className={`figure${p.state === 'broken' || p.state === 'partKept' ? ' alarm' : ''}`}>
                    {money(p.amount)}, {promiseStates[p.state]}
                  </td>
                </tr>
              ))}
            </tbody>
          </table>
        </section>
      </div>
      {held && (
        <div style={{ marginTop: 10 }}>
          <h3>The check as of now</h3>
          <CheckPanel check={data.check} />
        </div>
      )}
      <h3 style={{ marginTop: 10 }}>What happened</h3>
      <table className="grid" aria-label="What happened to the order">
        <tbody>
          {data.events.map((e) => (
            <tr key={e.seq}>
              <td className="nowrap">{day(e.on)}</td>
              <td className="strong nowrap">{stepNames[e.kind]}</td>
              <td className="figure">
                {money(e.approved)} of {money(e.total)}
              </td>
              <td className="small">
                {e.reason}
                {e.deposit ? ` deposit ${money(e.deposit)}` : ''}
                {e.until ? ` until ${day(e.until)}` : ''}
              </td>
              <td className="small muted">{e.madeBy}</td>
            </tr>
          ))}
        </tbody>
      </table>
      {deed === 'invoice' && <InvoiceOrder order={order} today={today} onClose={() => setDeed(null)} />}
      {deed && deed !== 'invoice' && <DecideOrder order={order} deed={deed} onClose={() => setDeed(null)} />}
    </section>
  );
}
