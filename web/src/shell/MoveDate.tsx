import { useQueryClient } from '@tanstack/react-query';
import { App, Button, DatePicker } from 'antd';
import dayjs from 'dayjs';
import { useState } from 'react';
import { ofCompany, readAgain } from '../api/changes';
import { rollBusinessDate } from '../api/generated';
import { answer, asProblem } from '../api/problem';
import { dayFormat, iso } from '../format/dates';

/** Moves a pinned business date forward. */
export function MoveDate({ today }: { today: string }) {
  const client = useQueryClient();
  const { message } = App.useApp();
  const [to, setTo] = useState('');
  const roll = async (date: string) => {
    try {
      await answer(rollBusinessDate({ body: { date } }));
      await readAgain(client, ofCompany);
      setTo('');
    } catch (e) {
      void message.error(asProblem(e).detail);
    }
  };
  return (
    <div style={{ display: 'grid', gap: 8 }}>
      <span>Move the business date forward. Nothing posted changes; what is overdue does.</span>
      <Button onClick={() => void roll(iso(dayjs(today).add(1, 'day')))}>To the next day</Button>
      <div style={{ display: 'flex', gap: 6 }}>
        <DatePicker
          aria-label="New business date"
          format={dayFormat}
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
  );
}
