import { Form, Select } from 'antd';
import type { ReactNode } from 'react';
import type { Common } from './common';

/** One of the choices of a field. */
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
