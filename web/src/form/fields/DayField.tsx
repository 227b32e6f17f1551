import { Form } from 'antd';
import type { Dayjs } from 'dayjs';
import { DayInput } from '../DayInput';
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
  format,
}: Common & { minDate?: Dayjs; maxDate?: Dayjs; format?: string }) => {
  // While the text is no day, the field itself says how to write one; the server's word on it would be a second one.
  const unread = (Form.useWatch(name) as Dayjs | null | undefined)?.isValid() === false;
  return (
    <Form.Item
      name={name}
      label={label}
      extra={extra}
      rules={[dayRule(placeholder !== undefined)]}
      validateTrigger="onSubmit"
      {...(unread ? {} : told(name, wrong))}
    >
      <DayInput
        live
        allowClear={placeholder !== undefined}
        placeholder={placeholder}
        disabled={disabled}
        minDate={minDate}
        maxDate={maxDate}
        format={format}
        style={{ width: '100%' }}
      />
    </Form.Item>
  );
};

/** A form is not sent while what stands in a field of it is no day. */
export const dayRule = (mayBeEmpty: boolean) => ({
  validator: (_: unknown, day: Dayjs | null | undefined) =>
    day
      ? day.isValid()
        ? Promise.resolve()
        : Promise.reject(new Error('Give a day that can be read.'))
      : mayBeEmpty
        ? Promise.resolve()
        : Promise.reject(new Error('Give a day.')),
});
