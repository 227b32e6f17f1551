import { Form, Input, type InputProps } from 'antd';
import { readAs } from '../../format/typedAmount';
import { told, type Common } from './common';

/** An amount, a rate or a percentage, typed as it is written; how it is read stands beside it where that differs. */
export const AmountField = ({
  name,
  label,
  extra,
  wrong,
  ...input
}: Common & Pick<InputProps, 'suffix' | 'prefix' | 'onInput'>) => (
  <Form.Item name={name} label={label} extra={extra} {...told(name, wrong)}>
    <AmountInput {...input} />
  </Form.Item>
);

function AmountInput({ suffix, value, ...input }: InputProps) {
  const read = typeof value === 'string' ? readAs(value) : null;
  return (
    <Input
      inputMode="decimal"
      className="figure"
      autoComplete="off"
      value={value}
      // It stands there from the start: a field whose frame changes while one types loses the focus.
      suffix={
        <>
          <span className="muted small" role="status">
            {read !== null && `= ${read}`}
          </span>
          {suffix}
        </>
      }
      {...input}
    />
  );
}
