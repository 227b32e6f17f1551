import type { ReminderResultView } from '../../api/generated';
import { isZero, money, percent } from '../../format/money';
import { Grid } from '../../table/Grid';

const month = new Intl.DateTimeFormat('en-GB', { month: 'short', year: 'numeric', timeZone: 'UTC' });

/** What letters brought, by level, and by month where there are several. */
export function LetterResults({ rows, monthly }: { rows: ReminderResultView[]; monthly?: boolean }) {
  return (
    <Grid
      label="What the letters brought"
      rows={rows}
      keyOf={(r) => `${r.month} ${r.level} ${r.currency}`}
      empty="No letters were issued in this period."
      columns={[
        ...(monthly
          ? [
              {
                title: 'Month',
                className: 'nowrap',
                cell: (r: ReminderResultView) => month.format(new Date(r.month)),
              },
            ]
          : []),
        { title: 'Level', cell: (r) => r.level },
        { title: 'Letters', figure: true, cell: (r) => r.letters },
        { title: 'Days not over', figure: true, cell: (r) => r.running || '—' },
        { title: 'Paid in full in time', figure: true, cell: (r) => r.allPaid || '—' },
        { title: 'Asked for', figure: true, className: 'nowrap', cell: (r) => `${money(r.asked)} ${r.currency}` },
        { title: 'Fees', figure: true, cell: (r) => (isZero(r.fee) ? '—' : money(r.fee)) },
        { title: 'Interest', figure: true, cell: (r) => (isZero(r.interest) ? '—' : money(r.interest)) },
        { title: 'Paid in time', figure: true, className: 'strong', cell: (r) => money(r.inTime) },
        {
          title: 'Of what was asked',
          figure: true,
          cell: (r) => (r.inTimeShare == null ? '—' : percent(String(r.inTimeShare))),
        },
        { title: 'Paid since', figure: true, cell: (r) => money(r.later) },
      ]}
    />
  );
}
