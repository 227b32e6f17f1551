import { Button, Checkbox, Form, Input, Select } from 'antd';
import type { TaxCodeView } from '../../api/generated';
import { coded } from '../../form/options';
import { money } from '../../format/money';
import { emptyLine, usualTax } from './documentForm';

/** The lines of an invoice or credit note while they are typed, each with the net amount that it comes to. */
export function DocumentLines({
  taxCodes,
  usual,
  nets,
  discounts,
}: {
  taxCodes: TaxCodeView[] | undefined;
  /** What the customer's record says. */
  usual: string;
  /** The net amount of each line that was worked out. */
  nets: readonly string[];
  /** Whether it matters which lines bear a discount. */
  discounts: boolean;
}) {
  const taxes = [{ value: usualTax, label: usual }, { value: '', label: 'no tax' }, ...coded(taxCodes)];
  return (
    <Form.List name="lines">
      {(fields, { add, remove }) => (
        <>
          <table className="grid inputs" aria-label="Lines">
            <thead>
              <tr>
                <th>What is supplied</th>
                <th className="figure" style={{ width: 90 }}>
                  Quantity
                </th>
                <th className="figure" style={{ width: 110 }}>
                  Unit price
                </th>
                <th style={{ width: 150 }}>Tax</th>
                {discounts && <th style={{ width: 76 }}>Discount</th>}
                <th style={{ width: 62 }}>Freight</th>
                <th className="figure" style={{ width: 100 }}>
                  Net
                </th>
                <th style={{ width: 32 }}>
                  <span className="hidden-text">Remove</span>
                </th>
              </tr>
            </thead>
            <tbody>
              {fields.map(({ key, name }) => {
                const n = name + 1;
                return (
                  <tr key={key}>
                    <td>
                      <Form.Item name={[name, 'text']} noStyle>
                        <Input aria-label={`What is supplied, line ${n}`} autoComplete="off" maxLength={500} />
                      </Form.Item>
                    </td>
                    <td>
                      <Form.Item name={[name, 'quantity']} noStyle>
                        <Input aria-label={`Quantity, line ${n}`} className="figure" autoComplete="off" />
                      </Form.Item>
                    </td>
                    <td>
                      <Form.Item name={[name, 'unitPrice']} noStyle>
                        <Input aria-label={`Unit price, line ${n}`} className="figure" autoComplete="off" />
                      </Form.Item>
                    </td>
                    <td>
                      <Form.Item name={[name, 'taxCode']} noStyle>
                        <Select aria-label={`Tax, line ${n}`} options={taxes} style={{ width: '100%' }} />
                      </Form.Item>
                    </td>
                    {discounts && (
                      <td>
                        <Form.Item name={[name, 'discountable']} valuePropName="checked" noStyle>
                          <Checkbox aria-label={`Bears a discount, line ${n}`} />
                        </Form.Item>
                      </td>
                    )}
                    <td>
                      <Form.Item name={[name, 'freight']} valuePropName="checked" noStyle>
                        <Checkbox aria-label={`Freight, line ${n}`} />
                      </Form.Item>
                    </td>
                    <td className="figure">{nets[name] ? money(nets[name]) : ''}</td>
                    <td>
                      {fields.length > 1 && (
                        <Button type="text" size="small" aria-label={`Remove line ${n}`} onClick={() => remove(name)}>
                          ×
                        </Button>
                      )}
                    </td>
                  </tr>
                );
              })}
            </tbody>
          </table>
          <Button size="small" style={{ marginTop: 6 }} onClick={() => add(emptyLine)}>
            Add a line
          </Button>
        </>
      )}
    </Form.List>
  );
}
