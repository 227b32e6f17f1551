import { Link } from 'react-router-dom';
import type { TodayWorkView } from '../../api/generated';
import { todayWork } from '../../words/today';

const addressOf = (work: TodayWorkView) =>
  work.kind === 'messagesFailed'
    ? '/outbox?show=failed'
    : work.kind === 'receiptsUnassigned'
      ? '/cash?show=unassigned'
      : `/runs/${work.run}`;

/** What waits beside the accounts: runs to be posted, messages that failed, receipts whose payer is not known. */
export function TodayWork({ work }: { work: TodayWorkView[] }) {
  if (work.length === 0) return null;
  return (
    <ul className="today-work linked" aria-label="Beside the accounts">
      {work.map((w) => (
        <li key={`${w.kind} ${w.run}`} className={w.kind === 'runStopped' ? 'alarm' : undefined}>
          <Link to={addressOf(w)}>
            {todayWork[w.kind]} {w.count}
          </Link>{' '}
          <span className="muted small">{w.text}</span>
        </li>
      ))}
    </ul>
  );
}
