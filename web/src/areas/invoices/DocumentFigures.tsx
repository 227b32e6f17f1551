import type { DocumentView } from '../../api/generated';
import { day } from '../../format/dates';
import { money } from '../../format/money';
import { Lines } from '../../table/Lines';

/** What an invoice or credit note comes to: net, tax by authority, gross, and what is to be paid until when. */
export const DocumentFigures = ({ document: d, currency }: { document: DocumentView; currency: string }) => (
  <div data-testid="document">
    <Lines
      label="What it comes to"
      lines={[
        { name: 'Net', value: money(d.net) },
        ...(d.taxes.length > 0
          ? d.taxes.map((t) => ({
              name: `${t.authority} ${t.percent} % of ${money(t.taxed)}`,
              value: money(t.tax),
            }))
          : [{ name: 'Tax', value: money(d.tax) }]),
        { name: `Total ${currency}`, value: money(d.gross), tone: 'total' },
      ]}
    />
    {d.instalments.length > 0 && (
      <Lines
        label="What is to be paid"
        lines={[
          ...d.discounts.map((x) => ({
            name: `Pays until ${day(x.deadline)}, less ${money(x.amount)}${x.percent ? `, ${x.percent} %` : ''}`,
            value: money(x.payable),
            tone: 'good' as const,
          })),
          ...d.instalments.map((x) => ({ name: `Due ${day(x.due)}`, value: money(x.amount) })),
        ]}
      />
    )}
  </div>
);
