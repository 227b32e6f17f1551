import { Form, InputNumber } from 'antd';
import type { ReactNode } from 'react';
import type { Common } from './common';

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
