import { Button } from 'antd';
import type { TodayCallView } from '../../api/generated';
import { day } from '../../format/dates';
import { grouped, withCurrency } from '../../format/money';
import { useMay } from '../../shell/session';
import { todayActions, todayKinds } from '../../words/today';

/** How many reasons stand in the list before the rest is only counted. */
const mostShown = 4;

/** One account or group of Today with its reasons, and what can be done about it. */
export function TodayCall({
  call,
  kind,
  inHand,
  putOff,
  onTake,
  onOpen,
  onDecide,
  onPutOff,
  onTakeUp,
}: {
  call: TodayCallView;
  /** The kind of reason that was chosen, if any: its action is offered. */
  kind: string;
  inHand: boolean;
  /** Shown among those that were put off. */
  putOff: boolean;
  onTake: () => void;
  onOpen: () => void;
  onDecide: () => void;
  onPutOff: () => void;
  onTakeUp: () => void;
}) {
  const may = useMay();
  const first = call.reasons.find((r) => r.kind === kind) ?? call.reasons[0];
  return (
    <li className={`today-row${inHand ? ' on' : ''}`} aria-current={inHand ? 'true' : undefined} onClick={onTake}>
      <div>
        <button type="button" className="linkish" onClick={onOpen}>
          <b>{call.name}</b>
        </button>
        <div className="muted small">
          {call.ofGroup ? 'group' : call.about}
          {call.owner ? ` · ${call.owner}` : ''}
        </div>
      </div>
      <div className="why">
        <ul className="reasons">
          {call.reasons.slice(0, mostShown).map((r) => (
            <li key={r.key}>
              <span className={`kind${r.kind === 'overLimit' || r.kind === 'promiseBroken' ? ' alarm' : ''}`}>
                {todayKinds[r.kind]}
              </span>
              <span>
                {grouped(r.text)}
                {r.on && <span className="muted nowrap"> · {day(r.on)}</span>}
                {r.putOffUntil && (
                  <span className="muted">
                    {' '}
                    · put off until {day(r.putOffUntil)} by {r.putOffBy}
                  </span>
                )}
              </span>
            </li>
          ))}
        </ul>
        {call.reasonCount > mostShown && (
          <span className="muted small">and {call.reasonCount - mostShown} more on its page</span>
        )}
      </div>
      <span className="figure strong">{withCurrency(call.atRisk, call.currency)}</span>
      <span className="actions">
        {putOff ? (
          may('controller') && (
            <Button size="small" onClick={onTakeUp}>
              Take up again
            </Button>
          )
        ) : (
          <>
            <Button size="small" type={inHand ? 'primary' : 'default'} onClick={onDecide}>
              {todayActions[first.kind]}
              {inHand && <kbd>Enter</kbd>}
            </Button>
            {may('controller') && (
              <Button size="small" onClick={onPutOff}>
                Put off{inHand && <kbd>P</kbd>}
              </Button>
            )}
          </>
        )}
      </span>
    </li>
  );
}
