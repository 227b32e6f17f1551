import { useQuery } from '@tanstack/react-query';
import { Form, Input } from 'antd';
import { listTermsFieldsOptions } from '../../api/generated/@tanstack/react-query.gen';

/** What is printed on an invoice about the terms; empty for the usual sentence. */
export function PrintedText({ value, onChange }: { value: string; onChange: (text: string) => void }) {
  const fields = useQuery({ ...listTermsFieldsOptions(), staleTime: Infinity });
  return (
    <Form.Item label="Printed on the invoice" htmlFor="printed">
      <Input.TextArea
        id="printed"
        rows={2}
        value={value}
        onChange={(e) => onChange(e.target.value)}
        placeholder="the usual sentence with dates and amounts"
      />
      <details className="fold small">
        <summary>Fields it may use</summary>
        <dl className="fields">
          {fields.data?.map((field) => (
            <div key={field.name}>
              <dt>{`{{ ${field.name} }}`}</dt>
              <dd className="muted">{field.meaning}</dd>
            </div>
          ))}
        </dl>
      </details>
    </Form.Item>
  );
}
