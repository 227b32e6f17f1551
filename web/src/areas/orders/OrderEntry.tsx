import type { OrderRow } from '../../api/generated';
import { LimitBar } from '../../drawings/LimitBar';
import { day } from '../../format/dates';
import { isZero, money } from '../../format/money';
import { orderStates } from '../../words/orders';
import { KeptFindings } from '../checks';

/** An order in the queue: how much of it is held, what that does to the limit, and why. */
export function OrderEntry({ order: o, on, onChoose }: { order: OrderRow; on: boolean; onChoose: () => void }) {
  const held = !isZero(o.held);
  return (
    <div role="listitem" className={`entry${on ? ' on' : ''}`} onClick={onChoose}>
      <div className="row-between" style={{ flexWrap: 'nowrap' }}>
        <button
          type="button"
          className="linkish strong ellipsis"
          aria-current={on ? 'true' : undefined}
          onClick={onChoose}
        >
          {o.number} · {o.accountName}
        </button>
        <span className="figure strong">
          {money(held ? o.held : o.total)} <span className="muted small">{o.currency}</span>
        </span>
      </div>
      <div className="row-between small muted" style={{ flexWrap: 'nowrap' }}>
        <span>
          {orderStates[o.state]}
          {o.deposit ? ` of ${money(o.deposit)}` : ''}
        </span>
        <span>{day(o.date)}</span>
      </div>
      {held && (
        <>
          <div style={{ margin: '4px 0' }}>
            <LimitBar row={o.with} />
          </div>
          <KeptFindings findings={o.findings} />
        </>
      )}
    </div>
  );
}
