import { Checkbox } from 'antd';
import type { ChargeLineView } from '../../api/generated';
import { day } from '../../format/dates';
import { isZero, money } from '../../format/money';
import { Grid } from '../../table/Grid';

/** What is charged on each item and how it comes about; an item can be left out. */
export const ChargeLines = ({
  lines,
  leaveOut,
  onChoose,
}: {
  lines: ChargeLineView[];
  leaveOut: number[];
  onChoose: (id: number, take: boolean) => void;
}) => (
  <div className="card scrolled" style={{ marginBottom: 12 }}>
    <Grid
      label="Charges"
      rows={lines}
      keyOf={(c) => c.itemId}
      columns={[
        {
          hidden: 'Choose',
          cell: (c) => (
            <Checkbox
              aria-label={`Charge ${c.document}`}
              checked={!leaveOut.includes(c.itemId)}
              onChange={(e) => onChoose(c.itemId, e.target.checked)}
            />
          ),
        },
        { title: 'Item', className: 'strong nowrap', cell: (c) => c.document },
        { title: 'Due', className: 'nowrap', cell: (c) => day(c.due) },
        { title: 'Workings', className: 'small muted', cell: (c) => <How line={c} /> },
        { title: 'Charge', figure: true, cell: (c) => money(c.amount) },
      ]}
    />
  </div>
);

const How = ({ line: c }: { line: ChargeLineView }) => (
  <>
    {c.segments.map((s) => (
      <div key={s.from + s.annualRate}>
        {day(s.from)} to {day(s.to)}, {s.days} {s.days === 1 ? 'day' : 'days'} on {money(s.balance)} at {s.annualRate}%
      </div>
    ))}
    {c.cutOff && <div>held to a maximum of the policy</div>}
    {!isZero(c.correction) && (
      <div>
        {c.correction.startsWith('-') ? 'charged too much before' : 'charged too little before'}: {money(c.correction)}
      </div>
    )}
  </>
);
