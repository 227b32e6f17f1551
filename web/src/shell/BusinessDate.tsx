import { useState } from 'react';
import { useCompany } from '../api/queries';
import { weekday } from '../format/dates';
import { lazyDialog } from './lazily';

const MoveDate = lazyDialog(() => import('./MoveDate').then((m) => m.MoveDate));

/** The company's today; a click tells how it moves. */
export function BusinessDate() {
  const { data } = useCompany();
  const [open, setOpen] = useState(false);
  if (!data) return null;
  return (
    <>
      <button
        type="button"
        className="chip"
        aria-label={`Business date ${weekday(data.businessDate)}`}
        aria-haspopup="dialog"
        onClick={() => setOpen(true)}
      >
        <span className="words">Business date </span>
        <b>{weekday(data.businessDate)}</b>
      </button>
      {open && <MoveDate today={data.businessDate} pinned={data.businessDatePinned} onClose={() => setOpen(false)} />}
    </>
  );
}
