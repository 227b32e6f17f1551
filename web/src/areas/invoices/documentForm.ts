import type { DocumentLineShape, OneOffDiscountShape, PostedLineView } from '../../api/generated';
import { plain } from '../../form/options';
import type { Share } from '../../form/ShareInput';

/** The choice that leaves the tax code to the customer's record. */
export const usualTax = '*';

/** A line as it stands in the form. */
export interface LineTyped {
  text: string;
  quantity: string;
  unitPrice: string;
  taxCode: string;
  discountable: boolean;
  freight: boolean;
}

export const emptyLine: LineTyped = {
  text: '',
  quantity: '1',
  unitPrice: '',
  taxCode: usualTax,
  discountable: true,
  freight: false,
};

/** The lines of a posted document, to be written again. */
export const asTyped = (lines: readonly PostedLineView[]): LineTyped[] =>
  lines.map(({ text, quantity, unitPrice, taxCode, discountable, freight }) => ({
    text,
    quantity,
    unitPrice,
    taxCode,
    discountable,
    freight,
  }));

/** Whether anything was typed into a line; the last one often stands empty. */
export const isTyped = (line: LineTyped) => line.text.trim() !== '' || line.unitPrice.trim() !== '';

/** The lines as they are sent. */
export const asLines = (lines: readonly LineTyped[]): DocumentLineShape[] =>
  lines.filter(isTyped).map(({ taxCode, quantity, unitPrice, ...line }) => ({
    ...line,
    quantity: plain(quantity),
    unitPrice: plain(unitPrice),
    ...(taxCode === usualTax ? {} : { taxCode }),
  }));

/** Whether there is enough to work a document out: every line that was begun has its price. */
export const isReady = (byLine: boolean, lines: readonly LineTyped[], net: string) => {
  const begun = lines.filter(isTyped);
  return byLine
    ? begun.length > 0 && begun.every((l) => l.text.trim() !== '' && l.unitPrice.trim() !== '')
    : net.trim() !== '';
};

/** A discount on one document as it is sent; nothing where none is given. */
export const asDiscount = (share: Share | null, days: number | null): OneOffDiscountShape | undefined =>
  share
    ? {
        ...(share.percent != null ? { percent: plain(share.percent) } : { amount: plain(share.amount) }),
        days,
      }
    : undefined;
