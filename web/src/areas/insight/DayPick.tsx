import dayjs from 'dayjs';
import { DayInput } from '../../form/DayInput';
import { iso } from '../../format/dates';

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
  <DayInput
    aria-label={label}
    placeholder={none}
    value={value ? dayjs(value) : null}
    onChange={(d) => onChange(iso(d))}
    style={{ width: 130 }}
  />
);
