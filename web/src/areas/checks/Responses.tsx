import { Form, InputNumber, Select } from 'antd';
import type { CheckFinding } from '../../api/generated';
import { AmountField } from '../../form/fields';
import { choices } from '../../form/options';
import { findingNames, responseChoices } from '../../words/checks';

/** What a credit check does about each finding. */
export function Responses({ name }: { name: string }) {
  return (
    <>
      {(Object.keys(findingNames) as CheckFinding[]).map((key) => (
        <Form.Item
          key={key}
          name={[name, key]}
          label={findingNames[key]}
          layout="horizontal"
          labelCol={{ span: 13 }}
          wrapperCol={{ span: 11 }}
          style={{ marginBottom: 6 }}
        >
          <Select options={choices(responseChoices)} size="small" />
        </Form.Item>
      ))}
      <div className="ties" style={{ marginTop: 8 }}>
        <Form.Item name={[name, 'overdueDays']} label="Overdue is found after">
          <InputNumber min={0} max={3650} suffix="days" style={{ width: '100%' }} />
        </Form.Item>
        <AmountField name={[name, 'overdueAmount']} label="above" />
      </div>
    </>
  );
}
