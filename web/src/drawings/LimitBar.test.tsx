import { renderToStaticMarkup } from 'react-dom/server';
import { describe, expect, it } from 'vitest';
import { LimitBar, type Bar } from './LimitBar';

const row = (change: Partial<Bar>): Bar => ({
  limit: '1000.00',
  uplift: '0.00',
  effectiveLimit: '1000.00',
  exposure: '500.00',
  headroom: '500.00',
  ageing: [{ bucket: 'notDue' }, { bucket: '1-30' }, { bucket: 'over30' }],
  bar: ['300.00', '50.00', '0.00', '50.00', '100.00'],
  ...change,
});

/** Left edge and width in percent of each element with a class. */
function edges(html: string, name: string) {
  return [...html.matchAll(new RegExp(`class="${name}" style="([^"]*)"`, 'g'))].map(([, style]) => ({
    left: Number(/left:([\d.]+)%/.exec(style)?.[1] ?? 0),
    width: Number(/width:([\d.]+)%/.exec(style)?.[1] ?? 0),
  }));
}

describe('the limit bar', () => {
  it('lays open items by age, money not cleared and orders end to end', () => {
    const html = renderToStaticMarkup(<LimitBar row={row({})} />);
    expect(edges(html, 'part')).toEqual([
      { left: 0, width: 30 },
      { left: 30, width: 5 },
    ]);
    expect(edges(html, 'part dots')).toEqual([{ left: 35, width: 5 }]);
    expect(edges(html, 'part hatch')).toEqual([{ left: 40, width: 10 }]);
    expect(edges(html, 'mark')).toEqual([{ left: 100, width: 0 }]);
    expect(html).not.toContain('beyond');
  });

  it('underlines what lies beyond the limit and says so in words', () => {
    const html = renderToStaticMarkup(
      <LimitBar row={row({ limit: '400.00', effectiveLimit: '400.00', headroom: '-100.00' })} />,
    );
    expect(edges(html, 'beyond')).toEqual([{ left: 80, width: 20 }]);
    expect(html).toContain('aria-label="Exposure 500.00 against a limit of 400.00, over by 100.00"');
  });

  it('draws an uplift after the standing limit and the mark at its end', () => {
    const html = renderToStaticMarkup(
      <LimitBar row={row({ uplift: '1000.00', effectiveLimit: '2000.00', headroom: '1500.00' })} />,
    );
    expect(edges(html, 'track')).toEqual([{ left: 0, width: 50 }]);
    expect(edges(html, 'uplift')).toEqual([{ left: 50, width: 50 }]);
    expect(edges(html, 'mark')).toEqual([{ left: 100, width: 0 }]);
  });

  it('takes a common scale when all bars are drawn to money', () => {
    const html = renderToStaticMarkup(<LimitBar row={row({})} scale={4000} />);
    expect(edges(html, 'track')[0].width).toBe(25);
    expect(edges(html, 'part')[0].width).toBe(7.5);
  });

  it('stays empty and whole with nothing owed, no limit, or a balance in favour', () => {
    const nothing = renderToStaticMarkup(
      <LimitBar row={row({ exposure: '0.00', headroom: '1000.00', bar: ['0.00', '0.00', '0.00', '0.00', '0.00'] })} />,
    );
    expect(edges(nothing, 'part')).toEqual([]);
    const favour = renderToStaticMarkup(
      <LimitBar
        row={row({
          exposure: '-50.00',
          limit: '0.00',
          effectiveLimit: '0.00',
          headroom: '50.00',
          bar: ['0.00', '0.00', '0.00', '0.00', '0.00'],
        })}
      />,
    );
    expect(favour).toContain('Exposure −50.00');
    expect(favour).not.toContain('NaN');
  });

  it('has a line as long as what is in dispute, on the scale of the bar', () => {
    const html = renderToStaticMarkup(<LimitBar row={row({ disputed: '250.00' })} />);
    expect(html).toContain('250.00 in dispute');
    expect(html).toMatch(/class="disputed" style="width:25%"/);
    expect(renderToStaticMarkup(<LimitBar row={row({ disputed: '0.00' })} />)).not.toContain('dispute');
  });
});
