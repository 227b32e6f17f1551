import { Input } from 'antd';
import dayjs from 'dayjs';
import { iso } from '../format/dates';
import { DayInput } from './DayInput';

interface Common {
  /** What stands above it. */
  label: string;
  /** What it is for a screen reader, such as "Sample net". */
  name: string;
  value: string;
  onChange: (value: string) => void;
}

/** An amount of a try-out. */
export const SampleAmount = ({ label, name, value, onChange }: Common) => (
  <label className="small muted">
    {label}
    <Input
      aria-label={name}
      inputMode="decimal"
      className="figure"
      value={value}
      onChange={(e) => onChange(e.target.value)}
    />
  </label>
);

/** A day of a try-out. */
export const SampleDay = ({ label, name, value, onChange }: Common) => (
  <label className="small muted">
    {label}
    <DayInput
      aria-label={name}
      allowClear={false}
      value={dayjs(value)}
      onChange={(d) => onChange(iso(d))}
      style={{ width: '100%' }}
    />
  </label>
);
