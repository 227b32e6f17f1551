import { Button } from 'antd';
import { Link } from 'react-router-dom';
import type { GroupRow } from '../../api/generated';
import { LimitBar } from '../../drawings/LimitBar';
import { day } from '../../format/dates';
import { isNegative, money, withCurrency } from '../../format/money';
import { useMay } from '../../shell/session';

/** Which group it is, what can be done, and its exposure against its limit. */
export function GroupHead({
  group: g,
  onAction,
  onExposure,
}: {
  group: GroupRow;
  onAction: (action: 'limit' | 'record') => void;
  onExposure: () => void;
}) {
  const may = useMay();
  const over = g.hasLimit && isNegative(g.headroom);
  return (
    <>
      <div className="headline">
        <h1>{g.name}</h1>
        <span className="muted">
          group of {g.accounts} accounts, in {g.currency}
          {g.parent && (
            <>
              {' '}
              · part of <Link to={`/groups/${encodeURIComponent(g.parent)}`}>{g.parent}</Link>
            </>
          )}
        </span>
        {g.reviewLapsed && <span className="badge stop">Review lapsed {day(g.reviewOn)}</span>}
        {may('controller') && (
          <div className="actions">
            <Button size="small" type="primary" onClick={() => onAction('limit')}>
              Limit<kbd>L</kbd>
            </Button>
            <Button size="small" onClick={() => onAction('record')}>
              Currency and parent
            </Button>
          </div>
        )}
      </div>
      <div className="bar-and-rest">
        <LimitBar row={g} large />
        <div className="figure">
          <div className={`strong rest${over ? ' alarm' : ''}`}>
            {!g.hasLimit
              ? 'No limit of its own'
              : over
                ? `Over by ${withCurrency(g.headroom.replace('-', ''), g.currency)}`
                : `${withCurrency(g.headroom, g.currency)} left`}
          </div>
          <button type="button" className="linkish muted small" onClick={onExposure}>
            {money(g.exposure)} exposed · limit {money(g.effectiveLimit)}
          </button>
        </div>
      </div>
    </>
  );
}
