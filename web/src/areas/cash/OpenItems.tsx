import { Checkbox } from 'antd';
import type { OpenItemView } from '../../api/generated';
import { day } from '../../format/dates';
import { money } from '../../format/money';
import { Grid } from '../../table/Grid';
import { itemKinds } from '../../words/ledger';
import type { Chosen } from './paymentItems';

/** The open items of an account, to choose among. Credits can be used together with the money. */
export const OpenItems = ({
  items,
  chosen,
  onToggle,
}: {
  items: OpenItemView[];
  chosen: Chosen;
  onToggle: (id: number) => void;
}) => (
  <div className="scrolled open-items">
    <Grid
      label="Open items"
      rows={items}
      keyOf={(i) => i.id}
      empty="Nothing is open on this account."
      rowClass={(i) => (chosen[i.id] ? 'on' : undefined)}
      columns={[
        {
          hidden: 'Choose',
          cell: (i) => (
            <Checkbox checked={!!chosen[i.id]} aria-label={`Settle ${i.document}`} onChange={() => onToggle(i.id)} />
          ),
        },
        {
          title: 'Item',
          className: 'nowrap',
          cell: (i) => (
            <>
              <span className="strong">{i.document}</span> <span className="muted small">{itemKinds[i.kind]}</span>
            </>
          ),
        },
        { title: 'Date', className: 'nowrap', cell: (i) => day(i.date) },
        { title: 'Due', className: 'nowrap', cell: (i) => day(i.due) },
        { title: 'Open', figure: true, cell: (i) => money(i.open) },
        { title: 'Discount', figure: true, cell: (i) => (i.inForce ? money(i.inForce) : '') },
      ]}
    />
  </div>
);
