import { Button } from 'antd';
import { Link } from 'react-router-dom';
import type { AccountPage } from '../../api/generated';
import { LimitBar } from '../../drawings/LimitBar';
import { day } from '../../format/dates';
import { isNegative, isZero, money, withCurrency } from '../../format/money';
import { useMay } from '../../shell/session';
import { stateBadges } from '../../words/limits';
import { actions, type Action } from './actions';

/** Who it is, what can be done, and the exposure against the limit. */
export function AccountHead({
  page,
  past,
  onToday,
  onAction,
  onExposure,
}: {
  page: AccountPage;
  /** Shown as at another day than today. */
  past: boolean;
  onToday: () => void;
  onAction: (action: Action) => void;
  onExposure: () => void;
}) {
  const may = useMay();
  const { account, position: p } = page;
  const over = isNegative(p.headroom);
  const offered = actions.filter((a) => !a.ofCredits || page.items.some((i) => isNegative(i.open)));
  return (
    <>
      <div className="headline">
        <h1>{account.name}</h1>
        <span className="muted">
          {account.code}
          {account.group && (
            <>
              {' '}
              · <Link to={`/groups/${encodeURIComponent(account.group)}`}>{account.group}</Link>
            </>
          )}{' '}
          · {account.terms}
          {account.owner ? ` · owner ${account.owner}` : ''}
        </span>
        {stateBadges[p.state] && <span className={`badge ${p.state}`}>{stateBadges[p.state]}</span>}
        {page.collection && <span className="badge watch">With {page.collection.to}</span>}
        {page.pause && <span className="badge watch">Reminders paused until {day(page.pause.until)}</span>}
        {past && (
          <span className="badge watch">
            As at {day(page.asOf)}{' '}
            <button type="button" className="linkish" onClick={onToday}>
              back to today
            </button>
          </span>
        )}
        {may('controller') && (
          <div className="actions">
            {offered.map(({ name, label, key }) => (
              <Button
                key={name}
                size="small"
                type={name === 'payment' ? 'primary' : 'default'}
                onClick={() => onAction(name)}
              >
                {label}
                <kbd>{key}</kbd>
              </Button>
            ))}
          </div>
        )}
      </div>
      <div className="bar-and-rest">
        <LimitBar row={p} large />
        <div className="figure">
          <div className={`strong rest${over ? ' alarm' : ''}`}>
            {over
              ? `Over by ${withCurrency(p.headroom.replace('-', ''), p.currency)}`
              : `${withCurrency(p.headroom, p.currency)} left`}
          </div>
          <button type="button" className="linkish muted small" onClick={onExposure}>
            {money(p.exposure)} exposed · limit {money(p.limit)}
            {isZero(p.uplift) ? '' : ` + ${money(p.uplift)}`}
          </button>
        </div>
      </div>
    </>
  );
}
