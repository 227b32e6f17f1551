import type { Dayjs } from 'dayjs';
import { DayInput } from './DayInput';

type Days = readonly [Dayjs, Dayjs];

/** Its two days, in their order: where one passes the other, that one follows. */
export const inOrder = ([from, to]: Days, changed: 'from' | 'to'): [Dayjs, Dayjs] =>
  !from.isAfter(to, 'day') ? [from, to] : changed === 'from' ? [from, from] : [to, to];

/** A period, typed as two days. Each is taken with Enter or when its field is left. */
export function PeriodInput({
  value,
  onChange,
  maxDate,
  size,
  'aria-label': label = 'Period',
}: {
  value?: Days | null;
  onChange?: (period: [Dayjs, Dayjs]) => void;
  maxDate?: Dayjs;
  size?: 'small' | 'middle';
  'aria-label'?: string;
}) {
  const take = (changed: 'from' | 'to') => (day: Dayjs | null) => {
    if (!day) return;
    const [from, to] = changed === 'from' ? [day, value?.[1] ?? day] : [value?.[0] ?? day, day];
    onChange?.(inOrder([from, to], changed));
  };
  const one = (end: 'from' | 'to') => (
    <DayInput
      aria-label={`${label}, ${end}`}
      value={value?.[end === 'from' ? 0 : 1] ?? null}
      allowClear={false}
      maxDate={maxDate}
      size={size}
      style={{ width: 150 }}
      onChange={take(end)}
    />
  );
  return (
    <span className="row-gap" role="group" aria-label={label}>
      {one('from')}
      <span className="muted">to</span>
      {one('to')}
    </span>
  );
}
