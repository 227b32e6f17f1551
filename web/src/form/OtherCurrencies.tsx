import { Button, Form, Input, Select } from 'antd';
import { useChoices, useCompany } from '../../api/queries';

export interface OtherAmount {
  /** Where it stands in the row of its currency. */
  name: (string | number)[];
  label: string;
}

/** Amounts for accounts in other currencies, one set each; what is left empty is converted at the rate of the day. */
export function OtherCurrencies({
  name,
  amounts,
  prefix = [],
}: {
  name: (string | number)[];
  amounts: OtherAmount[];
  prefix?: (string | number)[];
}) {
  const choices = useChoices();
  const company = useCompany();
  const base = company.data?.baseCurrency ?? '';
  return (
    <Form.List name={[...prefix, ...name]}>
      {(fields, { add, remove }) => (
        <fieldset className="rows">
          <legend className="small">
            Amounts above are in {base}. For accounts in other currencies give them here; what is left empty is
            converted at the rate of the day.
          </legend>
          {fields.map((field) => (
            <div key={field.key} className="ties">
              <Form.Item name={[field.name, 'currency']} label="Currency">
                <Select
                  showSearch
                  options={(choices.data?.currencies ?? [])
                    .filter((c) => c !== base)
                    .map((c) => ({ value: c, label: c }))}
                />
              </Form.Item>
              {amounts.map((a) => (
                <Form.Item key={a.name.join('.')} name={[field.name, ...a.name]} label={a.label}>
                  <Input className="figure" placeholder="converted" autoComplete="off" />
                </Form.Item>
              ))}
              <div style={{ alignSelf: 'end', paddingBottom: 14 }}>
                <Button size="small" onClick={() => remove(field.name)}>
                  Take it out
                </Button>
              </div>
            </div>
          ))}
          <Button size="small" onClick={() => add({})}>
            Add a currency
          </Button>
        </fieldset>
      )}
    </Form.List>
  );
}
