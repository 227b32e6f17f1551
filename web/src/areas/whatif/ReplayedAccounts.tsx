import type { ReplayedAccountView, WhatIfView } from '../../api/generated';
import { moneyOrDash, signed } from '../../format/money';
import { Grid } from '../../table/Grid';

const both = (happened: string, would: string) =>
  happened === would ? moneyOrDash(happened) : `${moneyOrDash(happened)} → ${moneyOrDash(would)}`;

/** The accounts on which it differs most; each opens what it rests on. */
export const ReplayedAccounts = ({ of, onOpen }: { of: WhatIfView; onOpen: (code: string) => void }) => (
  <div className="side">
    <Grid
      label="Accounts that differ most"
      rows={of.largest}
      keyOf={(a) => a.code}
      empty={`All ${of.accounts.toLocaleString('en-GB')} accounts come to what happened.`}
      columns={[
        {
          title: `${of.differing.toLocaleString('en-GB')} of ${of.accounts.toLocaleString('en-GB')} accounts differ`,
          className: 'ellipsis',
          cell: (a: ReplayedAccountView) => (
            <button type="button" className="linkish" onClick={() => onOpen(a.code)}>
              {a.name} <span className="muted small">{a.code}</span>
            </button>
          ),
        },
        { title: 'Discounts', figure: true, cell: (a) => both(a.happened.discounts, a.would.discounts) },
        { title: 'Charges', figure: true, cell: (a) => both(a.happened.charges, a.would.charges) },
        { title: 'Fees', figure: true, cell: (a) => both(a.happened.fees, a.would.fees) },
        {
          title: 'Orders held',
          figure: true,
          cell: (a) =>
            a.happened.ordersHeld === a.would.ordersHeld
              ? a.happened.ordersHeld || '—'
              : `${a.happened.ordersHeld} → ${a.would.ordersHeld}`,
        },
        { title: 'Difference', figure: true, className: 'strong', cell: (a) => signed(a.difference) },
      ]}
    />
  </div>
);
