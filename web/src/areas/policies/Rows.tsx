import { Button, DatePicker, Form, Input } from 'antd';

interface Column {
  name: string;
  label: string;
  prefix?: string;
  suffix?: string;
  date?: boolean;
}

/** A short list of pairs inside a form, such as rates by date. */
export function Rows({ name, title, add, columns }: { name: string; title: string; add: string; columns: [Column, Column] }) {
  return (
    <fieldset className="rows">
      <legend className="small">{title}</legend>
      <Form.List name={name}>
        {(fields, { add: append, remove }) => (
          <>
            {fields.map((field) => (
              <div key={field.key} className="pair-row">
                {columns.map((column) => (
                  <Form.Item key={column.name} name={[field.name, column.name]} noStyle>
                    {column.date ? (
                      <DatePicker aria-label={column.label} format="D MMM YYYY" allowClear={false} prefix={column.prefix} />
                    ) : (
                      <Input aria-label={column.label} prefix={column.prefix} suffix={column.suffix} className="figure" />
                    )}
                  </Form.Item>
                ))}
                <Button type="text" aria-label={`Take out ${title.toLowerCase()} ${field.name + 1}`} onClick={() => remove(field.name)}>
                  ×
                </Button>
              </div>
            ))}
            <Button size="small" onClick={() => append({})}>
              {add}
            </Button>
          </>
        )}
      </Form.List>
    </fieldset>
  );
}
