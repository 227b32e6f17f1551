import { renderToStaticMarkup } from 'react-dom/server';
import { describe, expect, it } from 'vitest';
import { Grid } from './Grid';

interface Row {
  id: number;
  amount: string;
}
const rows: Row[] = [
  { id: 1, amount: '10.00' },
  { id: 2, amount: '2.50' },
];
const drawn = (given: Row[], part: Partial<Parameters<typeof Grid<Row>>[0]> = {}) =>
  renderToStaticMarkup(
    <Grid
      label="Things"
      rows={given}
      keyOf={(r) => r.id}
      empty="There are none."
      columns={[
        { title: 'Number', cell: (r) => r.id },
        { title: 'Amount', figure: true, className: 'strong', cell: (r) => r.amount },
        false,
        { hidden: 'Actions', cell: () => '…' },
      ]}
      {...part}
    />,
  );

describe('a table of records', () => {
  it('says what to do instead of an empty table', () => {
    expect(drawn([])).toBe('<p class="muted pad">There are none.</p>');
  });

  it('aligns figures with their heading, and leaves out a column that is none', () => {
    const shown = drawn(rows);
    expect(shown).toContain('<th scope="col" class="figure">Amount</th>');
    expect(shown).toContain('<td class="figure strong">10.00</td>');
    expect(shown.match(/<th /g)).toHaveLength(3);
    expect(shown).toContain('<span class="hidden-text">Actions</span>');
  });

  it('marks the row in hand', () => {
    expect(drawn(rows, { rowClass: (r) => (r.id === 2 ? 'on' : undefined) }).match(/<tr class="on">/g)).toHaveLength(1);
  });

  it('has no headings where it is bare', () => expect(drawn(rows, { bare: true })).not.toContain('<thead>'));
});
