import { Popover } from 'antd';
import { useCompany } from '../api/queries';
import { weekday } from '../format/dates';
import { lazyView } from './lazily';

const MoveDate = lazyView(() => import('./MoveDate').then((m) => m.MoveDate), 'the calendar', 2);

/** The company's today. A pinned one can be moved forward. */
export function BusinessDate() {
  const { data } = useCompany();
  if (!data) return null;
  const chip = (
    <button type="button" className="chip" aria-label={`Business date ${weekday(data.businessDate)}`}>
      <span className="words">Business date </span>
      <b>{weekday(data.businessDate)}</b>
    </button>
  );
  return data.businessDatePinned ? (
    <Popover trigger="click" content={<MoveDate today={data.businessDate} />}>
      {chip}
    </Popover>
  ) : (
    <Popover content="The business date follows the calendar.">{chip}</Popover>
  );
}
