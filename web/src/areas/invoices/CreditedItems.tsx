import { Button, Input } from 'antd';
import type { ItemView, SettledItemView } from '../../api/generated';
import { TieBar } from '../../drawings/TieBar';
import { day } from '../../format/dates';
import { money, moneyOrDash } from '../../format/money';
import { Grid } from '../../table/Grid';

/** What a credit note is set against: the invoice that it names, or what is typed for each item. */
export function CreditedItems({
  items,
  settled,
  typed,
  onType,
}: {
  items: ItemView[];
  settled: SettledItemView[];
  typed: Record<number, string> | null;
  onType: (typed: Record<number, string> | null) => void;
}) {
  if (typed === null)
    return (
      <section>
        <div className="row-between">
          <h3>Set against</h3>
          <Button
            size="small"
            onClick={() => onType(Object.fromEntries(settled.map((s) => [s.item, s.amount])))}
            disabled={items.length === 0}
          >
            Choose the items
          </Button>
        </div>
        {settled.length === 0 ? (
          <p className="muted small">No item: all of it stays on account until it is set off.</p>
        ) : (
          <Grid
            label="Set against"
            rows={settled}
            keyOf={(s) => s.item}
            columns={[
              { title: 'Item', className: 'strong nowrap', cell: (s) => s.document },
              { title: 'Open', figure: true, cell: (s) => money(s.open) },
              {
                title: 'Match',
                cell: (s) => <TieBar tie={{ ...s, cash: s.amount, discount: '0', writeOff: '0' }} cash="Credited" />,
              },
              { title: 'Credited', figure: true, cell: (s) => money(s.amount) },
            ]}
          />
        )}
      </section>
    );
  return (
    <section>
      <div className="row-between">
        <h3>Set against</h3>
        <Button size="small" onClick={() => onType(null)}>
          Follow the invoice
        </Button>
      </div>
      <div className="scrolled">
        <Grid
          label="Set against"
          rows={items}
          keyOf={(i) => i.id}
          columns={[
            { title: 'Item', className: 'strong nowrap', cell: (i) => i.document },
            { title: 'Due', className: 'nowrap', cell: (i) => day(i.due) },
            { title: 'Open', figure: true, cell: (i) => moneyOrDash(i.open) },
            {
              title: 'Credited',
              figure: true,
              cell: (i) => (
                <Input
                  size="small"
                  className="figure"
                  aria-label={`Credited of ${i.document}`}
                  style={{ width: 110 }}
                  value={typed[i.id] ?? ''}
                  onChange={(e) => onType({ ...typed, [i.id]: e.target.value })}
                />
              ),
            },
          ]}
        />
      </div>
    </section>
  );
}
