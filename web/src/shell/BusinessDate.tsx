import { useQueryClient } from '@tanstack/react-query';
import { App, Button, DatePicker, Popover } from 'antd';
import dayjs from 'dayjs';
import { useState } from 'react';
import { rollBusinessDate } from '../api/generated';
import { answer, asProblem } from '../api/problem';
import { useCompany } from '../api/queries';
import { iso, weekday } from '../format/dates';

/** The company's today. A pinned one can be moved forward. */
export function BusinessDate() {
  const { data } = useCompany();
  const client = useQueryClient();
  const { message } = App.useApp();
  const [to, setTo] = useState('');
  if (!data) return null;
  const chip = (
    <button type="button" className="chip" aria-label={`Business date ${weekday(data.businessDate)}`}>
      <span className="words">Business date </span>
      <b>{weekday(data.businessDate)}</b>
    </button>
  );
  if (!data.businessDatePinned) return <Popover content="The business date follows the calendar.">{chip}</Popover>;
  const roll = async (date: string) => {
    try {
      await answer(rollBusinessDate({ body: { date } }));
      await client.invalidateQueries();
      setTo('');
    } catch (e) {
      void message.error(asProblem(e).detail);
    }
  };
  return (
    <Popover
      trigger="click"
      content={
        <div style={{ display: 'grid', gap: 8 }}>
          <span>Move the business date forward. Nothing posted changes; what is overdue does.</span>
          <Button onClick={() => void roll(dayjs(data.businessDate).add(1, 'day').format('YYYY-MM-DD'))}>
            To the next day
          </Button>
          <div style={{ display: 'flex', gap: 6 }}>
            <DatePicker
              aria-label="New business date"
              allowClear={false}
              minDate={dayjs(data.businessDate)}
              value={to ? dayjs(to) : null}
              onChange={(d) => setTo(iso(d))}
            />
            <Button disabled={!to} onClick={() => void roll(to)}>
              Move
            </Button>
          </div>
        </div>
      }
    >
      {chip}
    </Popover>
  );
}
