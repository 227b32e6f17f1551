import { Button } from 'antd';
import { DayInput } from '../form/DayInput';
import dayjs from 'dayjs';
import { useState } from 'react';
import { ofCompany } from '../api/changes';
import { rollBusinessDate } from '../api/generated';
import { answer } from '../api/problem';
import { useAct } from '../form/useAct';
import { Dialog } from '../form/Dialog';
import { iso, weekday } from '../format/dates';

/** Moves a pinned business date forward; one that is not pinned follows the calendar. */
export function MoveDate({ today, pinned, onClose }: { today: string; pinned: boolean; onClose: () => void }) {
  const act = useAct(ofCompany);
  const [to, setTo] = useState('');
  const roll = async (date: string) => {
    if (await act(() => answer(rollBusinessDate({ body: { date } })))) onClose();
  };
  return (
    <Dialog title={`Business date ${weekday(today)}`} width={420} onClose={onClose}>
      {pinned ? (
        <div style={{ display: 'grid', gap: 12 }}>
          <span>Move the business date forward. Nothing posted changes; what is overdue does.</span>
          <div style={{ display: 'flex', gap: 8, flexWrap: 'wrap' }}>
            <Button type="primary" onClick={() => void roll(iso(dayjs(today).add(1, 'day')))}>
              To the next day
            </Button>
            <DayInput
              aria-label="New business date"
              allowClear={false}
              minDate={dayjs(today)}
              value={to ? dayjs(to) : null}
              onChange={(d) => setTo(iso(d))}
            />
            <Button disabled={!to} onClick={() => void roll(to)}>
              Move
            </Button>
          </div>
        </div>
      ) : (
        <span>The business date follows the calendar.</span>
      )}
    </Dialog>
  );
}
