import { Segmented } from 'antd';
import type { DocumentView } from '../../api/generated';
import type { Problem } from '../../api/problem';
import { useTaxCodes } from '../../api/queries';
import { AmountField } from '../../form/fields';
import { DocumentLines } from './DocumentLines';

/** What a document is of: its lines, or totals alone. */
export function Content({
  byLine,
  onSwitch,
  usualTax,
  document,
  discounts,
  wrong,
}: {
  byLine: boolean;
  onSwitch: (byLine: boolean) => void;
  /** The customer's tax code; empty where it has none. */
  usualTax: string;
  document: DocumentView | undefined;
  discounts: boolean;
  wrong: Problem | null;
}) {
  const taxes = useTaxCodes();
  return (
    <>
      <Segmented
        size="small"
        style={{ marginBottom: 8 }}
        value={byLine ? 'lines' : 'totals'}
        options={[
          { value: 'lines', label: 'Line by line' },
          { value: 'totals', label: 'Totals alone' },
        ]}
        onChange={(to) => onSwitch(to === 'lines')}
      />
      {byLine ? (
        <DocumentLines
          taxCodes={taxes.data}
          usual={usualTax ? `customer’s: ${usualTax}` : 'customer’s: none'}
          nets={document?.lineNets ?? []}
          discounts={discounts}
        />
      ) : (
        <div className="fours">
          <AmountField name="net" label="Net" wrong={wrong} />
          <AmountField name="tax" label="Tax" wrong={wrong} />
          {discounts && <AmountField name="notDiscountable" label="Bears no discount" wrong={wrong} />}
        </div>
      )}
    </>
  );
}
