import { Form, Input, InputNumber, Select } from 'antd';

const findings: [string, string][] = [
  ['overLimit', 'Over the limit'],
  ['groupOverLimit', 'The group over its limit'],
  ['overdue', 'Overdue'],
  ['onStop', 'On stop'],
  ['reviewLapsed', 'Limit review lapsed'],
  ['termsNotConfirmed', 'Terms never confirmed'],
  ['promiseBroken', 'Promise broken'],
];

const responses = [
  { value: 'tell', label: 'tell' },
  { value: 'ask', label: 'ask for a reason' },
  { value: 'refuse', label: 'refuse' },
];

/** What a credit check does about each finding. */
export function Responses({ name }: { name: string }) {
  return (
    <>
      {findings.map(([key, label]) => (
        <Form.Item
          key={key}
          name={[name, key]}
          label={label}
          layout="horizontal"
          labelCol={{ span: 13 }}
          wrapperCol={{ span: 11 }}
          style={{ marginBottom: 6 }}
        >
          <Select options={responses} size="small" />
        </Form.Item>
      ))}
      <div className="ties" style={{ marginTop: 8 }}>
        <Form.Item name={[name, 'overdueDays']} label="Overdue is found after">
          <InputNumber min={0} max={3650} suffix="days" style={{ width: '100%' }} />
        </Form.Item>
        <Form.Item name={[name, 'overdueAmount']} label="above">
          <Input className="figure" />
        </Form.Item>
      </div>
    </>
  );
}
