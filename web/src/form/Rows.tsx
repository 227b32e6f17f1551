import { Button, Checkbox, Form, Input, InputNumber, Select } from 'antd';
import { DayInput } from './DayInput';

export interface Column {
  name: string;
  label: string;
  prefix?: string;
  suffix?: string;
  /** A figure unless said otherwise. */
  kind?: 'text' | 'date' | 'days' | 'choice' | 'lines' | 'check' | 'words';
  options?: { value: string; label: string }[];
  /** As in a grid; one share of the width unless given. */
  width?: string;
}

function Cell({
  column,
  name,
  ...bound
}: {
  column: Column;
  name: string;
  value?: unknown;
  onChange?: unknown;
  id?: string;
}) {
  // The form binds value and change to whatever stands in it.
  const given = bound as object;
  switch (column.kind) {
    case 'date':
      return (
        <DayInput
          {...given}
          live
          aria-label={name}
          allowClear={false}
          prefix={column.prefix}
          style={{ width: '100%' }}
        />
      );
    case 'days':
      return <InputNumber {...given} aria-label={name} min={0} suffix={column.suffix} style={{ width: '100%' }} />;
    case 'choice':
      return <Select {...given} aria-label={name} options={column.options} />;
    case 'words':
      return <Select {...given} aria-label={name} mode="tags" placeholder={column.label} tokenSeparators={[',']} />;
    case 'lines':
      return (
        <Input.TextArea {...given} aria-label={name} placeholder={column.label} autoSize={{ minRows: 1, maxRows: 5 }} />
      );
    case 'check':
      return (
        <Checkbox {...given} aria-label={name}>
          {column.label}
        </Checkbox>
      );
    case 'text':
      return (
        <Input {...given} aria-label={name} placeholder={column.label} prefix={column.prefix} autoComplete="off" />
      );
    default:
      return <Input {...given} aria-label={name} prefix={column.prefix} suffix={column.suffix} className="figure" />;
  }
}

/** A short list of like things inside a form, such as rates by date. */
export function Rows({
  name,
  title,
  add,
  columns,
  start = {},
  prefix = [],
}: {
  name: string | (string | number)[];
  title: string;
  add: string;
  columns: Column[];
  /** What a new row holds. */
  start?: object;
  /** Where the list stands when it is part of another one. */
  prefix?: (string | number)[];
}) {
  return (
    <fieldset className="rows">
      <legend className="small">{title}</legend>
      <Form.List name={[...prefix, ...(Array.isArray(name) ? name : [name])]}>
        {(fields, { add: append, remove, move }) => (
          <>
            {fields.map((field) => (
              <div
                key={field.key}
                className="pair-row"
                style={{
                  gridTemplateColumns: [
                    ...columns.map((c) => c.width ?? 'minmax(0, 1fr)'),
                    columns.length > 2 ? '56px' : '32px',
                  ].join(' '),
                }}
              >
                {columns.map((column) => (
                  <Form.Item
                    key={column.name}
                    name={[field.name, column.name]}
                    valuePropName={column.kind === 'check' ? 'checked' : 'value'}
                    style={{ marginBottom: 0 }}
                  >
                    <Cell
                      column={column}
                      name={
                        columns.length > 2 ? `${column.label}, ${title.toLowerCase()} ${field.name + 1}` : column.label
                      }
                    />
                  </Form.Item>
                ))}
                <span className="nowrap">
                  {columns.length > 2 && (
                    <Button
                      type="text"
                      size="small"
                      disabled={field.name === 0}
                      aria-label={`Move ${title.toLowerCase()} ${field.name + 1} up`}
                      onClick={() => move(field.name, field.name - 1)}
                    >
                      ↑
                    </Button>
                  )}
                  <Button
                    type="text"
                    size="small"
                    aria-label={`Remove ${title.toLowerCase()} ${field.name + 1}`}
                    onClick={() => remove(field.name)}
                  >
                    ×
                  </Button>
                </span>
              </div>
            ))}
            <Button size="small" onClick={() => append(start)}>
              {add}
            </Button>
          </>
        )}
      </Form.List>
    </fieldset>
  );
}
