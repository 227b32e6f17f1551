import { Button, Form } from 'antd';
import { useChoices, useCompany } from '../api/queries';
import { AmountField, ChoiceField } from './fields';
import { plainChoices } from './options';

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
              <ChoiceField
                name={[field.name, 'currency']}
                label="Currency"
                search
                options={plainChoices(choices.data?.currencies.filter((c) => c !== base))}
              />
              {amounts.map((a) => (
                <AmountField
                  key={a.name.join('.')}
                  name={[field.name, ...a.name]}
                  label={a.label}
                  placeholder="converted"
                />
              ))}
              <div style={{ alignSelf: 'end', paddingBottom: 14 }}>
                <Button size="small" onClick={() => remove(field.name)}>
                  Remove it
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
