import type { JournalLineView } from '../../api/generated';
import { money } from '../../format/money';
import { Grid } from '../../table/Grid';
import { purposeNames } from '../../words/ledger';

/** What is posted, line by line. */
export const RunJournal = ({ lines }: { lines: JournalLineView[] }) => (
  <Grid
    label="Journal"
    rows={lines}
    keyOf={(_, i) => i}
    columns={[
      { title: 'Account', className: 'nowrap', cell: (l) => l.account },
      { title: 'Journal', cell: (l) => purposeNames[l.purpose] },
      { title: 'Debit', figure: true, cell: (l) => money(l.debit) },
      { title: 'Credit', figure: true, cell: (l) => money(l.credit) },
    ]}
  />
);
