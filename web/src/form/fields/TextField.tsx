import { Form, Input, type InputProps } from 'antd';
import { told, type Common } from './common';

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
