import { CalendarOutlined } from '@ant-design/icons';
import { DatePicker, Input, type InputRef } from 'antd';
import dayjs, { type Dayjs } from 'dayjs';
import { useState, type CSSProperties, type ReactNode, type Ref } from 'react';
import { useCompany } from '../api/queries';
import { dayFormat, iso } from '../format/dates';
import { inWords, typedDay } from '../format/typedDay';

/** Stands in a form for text that is no day: the form is not sent while it is there. */
export const noDay = () => dayjs('');

export interface DayInputProps {
  id?: string;
  value?: Dayjs | null;
  onChange?: (day: Dayjs | null) => void;
  /** Whether each day is taken while it is typed, as in a form; else with Enter or when the field is left. */
  live?: boolean;
  /** Whether it may be left empty. */
  allowClear?: boolean;
  placeholder?: string;
  disabled?: boolean;
  minDate?: Dayjs;
  maxDate?: Dayjs;
  format?: string;
  prefix?: ReactNode;
  size?: 'small' | 'middle';
  style?: CSSProperties;
  ref?: Ref<InputRef>;
  'aria-label'?: string;
}

/**
 * A day that is typed as people write it and read back in words, or picked from a calendar. What was typed is taken before
 * anything else happens with it; what cannot be read is never taken for the day before.
 */
export function DayInput({
  id,
  value,
  onChange,
  live,
  allowClear = true,
  placeholder,
  disabled,
  minDate,
  maxDate,
  format = dayFormat,
  prefix,
  size,
  style,
  ref,
  'aria-label': label,
}: DayInputProps) {
  const today = useCompany().data?.businessDate ?? iso(dayjs());
  const [typed, setTyped] = useState<string | null>(null);
  const [open, setOpen] = useState(false);
  const known = value?.isValid() ? value : null;
  const text = typed ?? known?.format(format) ?? '';
  const towards = maxDate && !maxDate.isAfter(dayjs(today)) ? 'past' : 'future';
  const read = typed === null ? known : typedDay(typed, today, towards);
  const within = (day: Dayjs) =>
    !(minDate && day.isBefore(minDate, 'day')) && !(maxDate && day.isAfter(maxDate, 'day'));
  const wrong = read === undefined || (read !== null && !within(read)) || (read === null && !allowClear);
  const give = (day: Dayjs | null | undefined) => {
    if (day === undefined || (day !== null && !within(day)) || (day === null && !allowClear)) {
      if (live) onChange?.(noDay());
      return false;
    }
    if (iso(day) !== iso(known) || value?.isValid() === false) onChange?.(day);
    return true;
  };
  const take = () => {
    if (typed === null || !give(typedDay(typed, today, towards))) return;
    setTyped(null);
  };
  const bound =
    read && minDate && read.isBefore(minDate, 'day')
      ? `before ${minDate.format(dayFormat)}`
      : `after ${maxDate?.format(dayFormat)}`;
  const said =
    typed === null || typed.trim() === ''
      ? null
      : read === undefined
        ? `‘${typed.trim()}’ is no day; write it as 16.3., 16 mar, 2026-03-16, +10 or fri`
        : read && !within(read)
          ? `${inWords(read)} is ${bound}`
          : read
            ? inWords(read)
            : null;
  return (
    <span className="day-input" style={style}>
      <Input
        id={id}
        ref={ref}
        aria-label={label}
        aria-invalid={typed !== null && wrong}
        status={typed !== null && wrong && typed.trim() !== '' ? 'error' : undefined}
        autoComplete="off"
        size={size}
        prefix={prefix}
        placeholder={placeholder}
        disabled={disabled}
        value={text}
        onFocus={(e) => e.target.select()}
        onChange={(e) => {
          setTyped(e.target.value);
          if (live) give(typedDay(e.target.value, today, towards));
        }}
        onBlur={take}
        onKeyDown={(e) => {
          if (e.key === 'Enter') {
            if (!live) e.preventDefault();
            take();
          }
          if (e.key === 'ArrowDown' && e.altKey) setOpen(true);
        }}
        suffix={
          <button
            type="button"
            tabIndex={-1}
            className="day-input-pick"
            aria-label="Calendar"
            disabled={disabled}
            onClick={() => setOpen(!open)}
          >
            <CalendarOutlined aria-hidden />
          </button>
        }
      />
      {open && (
        <DatePicker
          open
          className="day-input-panel"
          aria-label="Calendar"
          value={known}
          minDate={minDate}
          maxDate={maxDate}
          onOpenChange={(now) => !now && setOpen(false)}
          onChange={(day) => {
            setTyped(null);
            setOpen(false);
            onChange?.(day);
          }}
        />
      )}
      {said && (
        <span className={`day-input-said small${wrong ? ' alarm' : ' muted'}`} role={wrong ? 'alert' : 'status'}>
          {said}
        </span>
      )}
    </span>
  );
}
