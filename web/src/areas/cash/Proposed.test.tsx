import { renderToStaticMarkup } from 'react-dom/server';
import { describe, expect, it } from 'vitest';
import { Recognised } from './Recognised';
import { sureness } from './sureness';
import { ledBy } from './useProposal';

describe('a payment filled in from either side', () => {
  it('lets the other follow what was set by hand, until both were', () => {
    expect(ledBy(null, 'amount')).toBe('amount');
    expect(ledBy('amount', 'amount')).toBe('amount');
    expect(ledBy('items', 'amount')).toBe('both');
    expect(ledBy('amount', 'items')).toBe('both');
    expect(ledBy('both', 'items')).toBe('both');
  });

  it('calls certain only what is', () => {
    expect([1, 0.9, 0.6, 0.4, 0].map(sureness)).toEqual(['certain', 'likely', 'likely', 'unsure', 'unsure']);
  });

  it('marks in the text what was recognised, each place once', () => {
    const html = renderToStaticMarkup(
      <Recognised
        text="inv 7 and INV8, thanks"
        named={[
          { from: 10, to: 14 },
          { from: 0, to: 5 },
          { from: 0, to: 5 },
        ]}
      />,
    );
    expect(html.replaceAll(/<\/?span[^>]*>/g, '')).toBe('<mark>inv 7</mark> and <mark>INV8</mark>, thanks');
  });
});
