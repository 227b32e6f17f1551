import { DatePicker } from 'antd';
import dayjs from 'dayjs';
import { dayFormat, iso } from '../../format/dates';

/** The period of measures and leakage, by which they are asked for. */
export const Period = ({
  from,
  to,
  onChange,
}: {
  from: string | undefined;
  to: string | undefined;
  onChange: (period: { from: string; to: string }) => void;
}) => (
  <DatePicker.RangePicker
    aria-label="Period"
    allowClear={false}
    format={dayFormat}
    value={from && to ? [dayjs(from), dayjs(to)] : null}
    onChange={(next) => {
      if (next?.[0] && next[1]) onChange({ from: iso(next[0]), to: iso(next[1]) });
    }}
  />
);
