import { Form, Input, type InputProps } from 'antd';
import { told, type Common } from './common';

/** An amount, a rate or a percentage, typed as it is written. */
export const AmountField = ({
  name,
  label,
  extra,
  wrong,
  ...input
}: Common & Pick<InputProps, 'suffix' | 'prefix' | 'onInput'>) => (
  <Form.Item name={name} label={label} extra={extra} {...told(name, wrong)}>
    <Input inputMode="decimal" className="figure" autoComplete="off" {...input} />
  </Form.Item>
);
