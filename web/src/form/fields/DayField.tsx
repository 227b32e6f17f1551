import { DatePicker, Form } from 'antd';
import type { Dayjs } from 'dayjs';
import { dayFormat } from '../../format/dates';
import { told, type Common } from './common';

/** A day. It may be left out where a placeholder says what that means. */
export const DayField = ({
  name,
  label,
  extra,
  wrong,
  placeholder,
  disabled,
  minDate,
  maxDate,
  format = dayFormat,
}: Common & { minDate?: Dayjs; maxDate?: Dayjs; format?: string }) => (
  <Form.Item name={name} label={label} extra={extra} {...told(name, wrong)}>
    <DatePicker
      format={format}
      allowClear={placeholder !== undefined}
      placeholder={placeholder}
      disabled={disabled}
      minDate={minDate}
      maxDate={maxDate}
      style={{ width: '100%' }}
    />
  </Form.Item>
);
