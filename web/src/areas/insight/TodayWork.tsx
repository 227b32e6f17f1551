import { Link } from 'react-router-dom';
import type { TodayWorkView } from '../../api/generated';
import { todayWork } from '../../words/today';

const addressOf = (work: TodayWorkView) => {
  switch (work.kind) {
    case 'messagesFailed':
      return '/outbox?show=failed';
    case 'receiptsUnassigned':
      return '/cash?show=unassigned';
    case 'scheduleCaughtUp':
    case 'scheduleWaits':
      return '/runs';
    case 'runReady':
    case 'runStopped':
      return `/runs/${work.run}`;
  }
};

const isAlarm = (work: TodayWorkView) => work.kind === 'runStopped' || work.kind === 'scheduleWaits';

const isCounted = (work: TodayWorkView) => work.kind !== 'scheduleCaughtUp' && work.kind !== 'scheduleWaits';

/** What waits beside the accounts: runs to post, messages that failed, receipts without a payer, missed schedules. */
export function TodayWork({ work }: { work: TodayWorkView[] }) {
  if (work.length === 0) return null;
  return (
    <ul className="today-work linked" aria-label="Beside the accounts">
      {work.map((w) => (
        <li key={`${w.kind} ${w.run ?? w.text}`} className={isAlarm(w) ? 'alarm' : undefined}>
          <Link to={addressOf(w)}>
            {todayWork[w.kind]} {isCounted(w) && w.count}
          </Link>{' '}
          <span className="muted small">{w.text}</span>
        </li>
      ))}
    </ul>
  );
}
