import { Checkbox, Form } from 'antd';
import type { ReactNode } from 'react';
import type { Name } from './common';

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
