import { DatePicker } from 'antd';
import dayjs from 'dayjs';
import { dayFormat, iso } from '../../format/dates';

/** A day of the view, or none. */
export const DayPick = ({
  label,
  none = label,
  value,
  onChange,
}: {
  label: string;
  /** What stands there while none is chosen. */
  none?: string;
  value: string | undefined;
  onChange: (day: string) => void;
}) => (
  <DatePicker
    aria-label={label}
    placeholder={none}
    format={dayFormat}
    value={value ? dayjs(value) : null}
    onChange={(d) => onChange(iso(d))}
    style={{ width: 130 }}
  />
);
