import { Checkbox, DatePicker, Form, Input, InputNumber, Select, type InputProps } from 'antd';
import type { Dayjs } from 'dayjs';
import type { ReactNode } from 'react';
import type { Problem } from '../api/problem';
import { dayFormat } from '../format/dates';

type Name = string | (string | number)[];

interface Common {
  name: Name;
  label: ReactNode;
  extra?: ReactNode;
  placeholder?: string;
  disabled?: boolean;
  /** What is known to be wrong before the form is sent. */
  wrong?: Problem | null;
}

/** How a problem of the field is shown. */
const told = (name: Name, wrong: Problem | null | undefined) => {
  const errors = wrong?.errors[Array.isArray(name) ? name.join('.') : name];
  return errors ? ({ validateStatus: 'error', help: errors[0] } as const) : {};
};

/** A line of text. */
export const TextField = ({
  name,
  label,
  extra,
  wrong,
  ...input
}: Common & Pick<InputProps, 'autoComplete' | 'maxLength'>) => (
  <Form.Item name={name} label={label} extra={extra} {...told(name, wrong)}>
    <Input autoComplete="off" {...input} />
  </Form.Item>
);

/** Several lines of text. */
export const LinesField = ({ name, label, extra, rows = 2, ...input }: Common & { rows?: number }) => (
  <Form.Item name={name} label={label} extra={extra}>
    <Input.TextArea rows={rows} {...input} />
  </Form.Item>
);

/** An amount, a rate or a percentage, typed as it is written. */
export const AmountField = ({
  name,
  label,
  extra,
  wrong,
  ...input
}: Common & Pick<InputProps, 'suffix' | 'prefix'>) => (
  <Form.Item name={name} label={label} extra={extra} {...told(name, wrong)}>
    <Input inputMode="decimal" className="figure" autoComplete="off" {...input} />
  </Form.Item>
);

/** A whole number, such as days. */
export const NumberField = ({
  name,
  label,
  extra,
  ...input
}: Common & { min: number; max: number; suffix?: ReactNode }) => (
  <Form.Item name={name} label={label} extra={extra}>
    <InputNumber precision={0} style={{ width: '100%' }} {...input} />
  </Form.Item>
);

/** A day. It may be left out where a placeholder says what that means. */
export const DayField = ({
  name,
  label,
  extra,
  wrong,
  placeholder,
  disabled,
  maxDate,
  format = dayFormat,
}: Common & { maxDate?: Dayjs; format?: string }) => (
  <Form.Item name={name} label={label} extra={extra} {...told(name, wrong)}>
    <DatePicker
      format={format}
      allowClear={placeholder !== undefined}
      placeholder={placeholder}
      disabled={disabled}
      maxDate={maxDate}
      style={{ width: '100%' }}
    />
  </Form.Item>
);

export interface Choice {
  value: string;
  label: ReactNode;
  title?: string;
}

/** One of several. */
export const ChoiceField = ({
  name,
  label,
  extra,
  options,
  search,
  ...select
}: Common & { options: Choice[] | undefined; search?: boolean }) => (
  <Form.Item name={name} label={label} extra={extra}>
    <Select
      options={options}
      showSearch={search ? { optionFilterProp: 'label' } : false}
      virtual={(options?.length ?? 0) > 40}
      {...select}
    />
  </Form.Item>
);

/** Yes or no. */
export const CheckField = ({
  name,
  extra,
  tight,
  children,
}: {
  name: Name;
  extra?: ReactNode;
  /** Another one follows right below. */
  tight?: boolean;
  children: ReactNode;
}) => (
  <Form.Item name={name} valuePropName="checked" extra={extra} style={tight ? { marginBottom: 0 } : undefined}>
    <Checkbox>{children}</Checkbox>
  </Form.Item>
);
