import { renderToStaticMarkup } from 'react-dom/server';
import { describe, expect, it } from 'vitest';
import { ShareInput, shareKind, shareOf } from './ShareInput';

const usual = { percent: '2', amount: '20.00' };

describe('a share', () => {
  it.each([
    [{ percent: '2' }, 'percent'],
    [{ amount: '' }, 'amount'],
    [{ percent: null, amount: '5' }, 'amount'],
    [{ remainder: true }, 'remainder'],
    [{}, 'remainder'],
  ] as const)('%o is a %s', (share, kind) => expect(shareKind(share, 'remainder')).toBe(kind));

  it('has one kind at a time', () => {
    expect(shareOf('percent', usual)).toEqual({ percent: '2', amount: null, remainder: null });
    expect(shareOf('amount', usual)).toEqual({ percent: null, amount: '20.00', remainder: null });
    expect(shareOf('remainder', usual)).toEqual({ percent: null, amount: null, remainder: true });
  });

  it('names its field by its kind, and has none for what the others leave', () => {
    const drawn = (share: object, remainder?: string) =>
      renderToStaticMarkup(
        <ShareInput
          name="Discount 1"
          title="kind"
          share={share}
          usual={usual}
          remainder={remainder}
          onChange={() => {}}
        />,
      );
    expect(drawn({ percent: '3' })).toContain('aria-label="Discount 1: percent"');
    expect(drawn({ amount: '3' })).toContain('aria-label="Discount 1: amount"');
    expect(drawn({ remainder: true }, 'the rest')).not.toMatch(/Discount 1: (percent|amount)/);
  });
});
