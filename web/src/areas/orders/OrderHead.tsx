import { Button } from 'antd';
import { Link } from 'react-router-dom';
import type { OrderRow } from '../../api/generated';
import { isZero } from '../../format/money';
import { stateBadges } from '../../words/limits';
import { orderStates } from '../../words/orders';
import { titles, type Deed } from './deeds';

const heldDeeds: { deed: Deed; key: string }[] = [
  { deed: 'release', key: 'R' },
  { deed: 'deposit', key: 'D' },
  { deed: 'decline', key: 'X' },
];

/** Which order it is, how it stands, and what can be decided on it. */
export function OrderHead({
  order,
  can,
  onDeed,
}: {
  order: OrderRow;
  can: boolean;
  onDeed: (deed: Deed | 'invoice') => void;
}) {
  const held = !isZero(order.held);
  const badge = stateBadges[order.accountState];
  return (
    <>
      <div className="headline">
        <h2>
          {order.number} · <Link to={`/accounts/${encodeURIComponent(order.account)}`}>{order.accountName}</Link>
        </h2>
        <span className="muted">{orderStates[order.state]}</span>
        {badge && <span className={`badge ${order.accountState}`}>{badge}</span>}
      </div>
      {can && (
        <div style={{ display: 'flex', gap: 6, flexWrap: 'wrap', margin: '6px 0 10px' }}>
          {held &&
            heldDeeds.map(({ deed, key }) => (
              <Button
                key={deed}
                size="small"
                type={deed === 'release' ? 'primary' : 'default'}
                onClick={() => onDeed(deed)}
              >
                {titles[deed]}
                <kbd>{key}</kbd>
              </Button>
            ))}
          {!isZero(order.notInvoiced) && (
            <Button size="small" type={held ? 'default' : 'primary'} onClick={() => onDeed('invoice')}>
              Invoice<kbd>V</kbd>
            </Button>
          )}
          <Button size="small" onClick={() => onDeed('change')}>
            {titles.change}
            <kbd>C</kbd>
          </Button>
          <Button size="small" onClick={() => onDeed('close')}>
            {titles.close}
          </Button>
        </div>
      )}
    </>
  );
}
