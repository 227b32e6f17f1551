import { renderToStaticMarkup } from 'react-dom/server';
import { describe, expect, it } from 'vitest';
import { TieBar, type Tie } from './TieBar';

const tie = (change: Partial<Tie>): Tie => ({
  open: '1000.00',
  cash: '950.00',
  discount: '20.00',
  writeOff: '30.00',
  staysOpen: '0.00',
  ...change,
});

/** Kind, left edge and width in percent of each part. */
const parts = (html: string) =>
  [...html.matchAll(/class="part (\w+)" style="left:([\d.]+)%;width:([\d.]+)%"/g)].map(([, kind, left, width]) => [
    kind,
    Number(left),
    Number(width),
  ]);

describe('the tie bar', () => {
  it('lays cash, discount and what is written off end to end over the whole item, and ties', () => {
    const html = renderToStaticMarkup(<TieBar tie={tie({})} />);
    expect(parts(html)).toEqual([
      ['cash', 0, 95],
      ['discount', 95, 2],
      ['dots', 97, 3],
    ]);
    expect(html).toContain('tie-bar ties');
    expect(html).toContain('Cash 950.00, Discount 20.00, Written off 30.00 of 1,000.00');
  });

  it('does not tie where something stays open', () => {
    const html = renderToStaticMarkup(
      <TieBar tie={tie({ cash: '980.00', discount: '0.00', writeOff: '0.00', staysOpen: '20.00' })} />,
    );
    expect(parts(html)).toEqual([
      ['cash', 0, 98],
      ['open', 98, 2],
    ]);
    expect(html).not.toContain('tie-bar ties');
  });

  it('runs on beyond the end of the item with what is over', () => {
    const html = renderToStaticMarkup(
      <TieBar tie={tie({ cash: '1000.00', discount: '0.00', writeOff: '0.00', over: '250.00' })} />,
    );
    expect(parts(html)).toEqual([
      ['cash', 0, 80],
      ['over', 80, 20],
    ]);
    expect(html).toContain('class="end" style="left:80%"');
    expect(html).not.toContain('tie-bar ties');
  });
});
