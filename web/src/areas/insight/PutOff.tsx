import { Button } from 'antd';
import { DayInput } from '../../form/DayInput';
import dayjs from 'dayjs';
import { useState } from 'react';
import type { TodayCallView } from '../../api/generated';
import { Dialog } from '../../form/Dialog';
import { iso } from '../../format/dates';
import { useToday } from './useToday';

/** Puts an account of Today off with all its reasons, to a day on which it comes back. */
export function PutOff({ call, today, onClose }: { call: TodayCallView; today: string; onClose: () => void }) {
  const [until, setUntil] = useState(dayjs(today).add(1, 'day'));
  const { putOff } = useToday();
  const put = (day: string) => {
    onClose();
    void putOff(call, day);
  };
  return (
    <Dialog title={`Put off: ${call.name}`} onClose={onClose} width={400}>
      {call.reasons.length > 1 && <p style={{ marginTop: 0 }}>With all its {call.reasons.length} reasons.</p>}
      <div style={{ display: 'flex', gap: 8, flexWrap: 'wrap' }}>
        {[1, 3, 7].map((n) => (
          <Button key={n} onClick={() => put(iso(dayjs(today).add(n, 'day')))}>
            {n === 1 ? 'To tomorrow' : `${n} days`}
          </Button>
        ))}
        <DayInput
          aria-label="Until"
          allowClear={false}
          value={until}
          minDate={dayjs(today).add(1, 'day')}
          onChange={(d) => d && setUntil(d)}
        />
        <Button type="primary" onClick={() => put(iso(until))}>
          Put off
        </Button>
      </div>
    </Dialog>
  );
}
