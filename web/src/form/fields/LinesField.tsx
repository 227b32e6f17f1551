import { Form, Input } from 'antd';
import type { Common } from './common';

/** Several lines of text. */
export const LinesField = ({ name, label, extra, rows = 2, ...input }: Common & { rows?: number }) => (
  <Form.Item name={name} label={label} extra={extra}>
    <Input.TextArea rows={rows} {...input} />
  </Form.Item>
);
