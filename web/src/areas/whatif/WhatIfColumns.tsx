import type { ReplayFiguresView, WhatIfView } from '../../api/generated';
import { isZero, moneyOrDash, signed } from '../../format/money';
import { Grid } from '../../table/Grid';

interface Figure {
  name: string;
  amount: (f: ReplayFiguresView) => string;
  count?: (f: ReplayFiguresView) => string;
}

const many = (n: number, one: string, more = `${one}s`) => `${n.toLocaleString('en-GB')} ${n === 1 ? one : more}`;

const figures: Figure[] = [
  { name: 'Discounts given', amount: (f) => f.discounts, count: (f) => many(f.discounted, 'payment') },
  { name: 'Late charges raised', amount: (f) => f.charges, count: (f) => many(f.charged, 'item') },
  { name: 'Reminder fees', amount: (f) => f.fees, count: (f) => many(f.letters, 'letter') },
  { name: 'Orders held', amount: (f) => f.held, count: (f) => many(f.ordersHeld, 'order') },
  { name: 'Interest on cash that came earlier', amount: (f) => f.interest },
  { name: 'Charges, fees and interest less discounts', amount: (f) => f.brings },
];

/** What happened, and what would have under one what-if or several side by side. */
export const WhatIfColumns = ({ shown, onWorkings }: { shown: WhatIfView[]; onWorkings: (of: WhatIfView) => void }) => {
  const first = shown[0];
  return (
    <Grid
      label="What happened and what would have"
      rows={figures}
      keyOf={(f) => f.name}
      rowClass={(f) => (f === figures.at(-1) ? 'strong' : undefined)}
      columns={[
        { title: `In ${first?.currency ?? ''}`, cell: (f) => f.name },
        { title: 'Happened', figure: true, cell: (f) => first?.happened && <Cell figure={f} of={first.happened} /> },
        ...shown.flatMap((w) => [
          {
            title: (
              <button type="button" className="linkish" onClick={() => onWorkings(w)}>
                {w.name}
              </button>
            ),
            figure: true,
            cell: (f: Figure) => w.would && <Cell figure={f} of={w.would} />,
          },
          {
            title: 'Difference',
            figure: true,
            cell: (f: Figure) => w.difference && difference(f.amount(w.difference)),
          },
        ]),
      ]}
    />
  );
};

/** An amount, and of how many it is. */
const Cell = ({ figure, of }: { figure: Figure; of: ReplayFiguresView }) => (
  <>
    <span className="muted small figure-beside">{figure.count?.(of)}</span> {moneyOrDash(figure.amount(of))}
  </>
);

const difference = (amount: string) => (isZero(amount) ? '—' : signed(amount));
