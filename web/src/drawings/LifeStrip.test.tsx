import { renderToStaticMarkup } from 'react-dom/server';
import { describe, expect, it } from 'vitest';
import type { ItemView } from '../api/generated';
import { dayNumber } from '../format/dates';
import { holdsOf } from './holds';
import { ageColour, bucketName } from './ages';
import { axisOf, LifeStrip } from './LifeStrip';

const item = (date: string, due: string) => ({ date, due }) as ItemView;

describe('the axis of life strips', () => {
  const today = '2026-03-16';

  it('holds the items, the business date and some weeks to come', () => {
    const axis = axisOf([item('2026-01-11', '2026-02-10'), item('2026-03-12', '2026-04-26')], today);
    expect(axis.from).toBe(dayNumber('2026-01-11'));
    expect(axis.to).toBe(dayNumber('2026-05-06'));
    expect(axis.today).toBe(dayNumber(today));
  });

  it('does not let one very old item press the others together', () => {
    expect(axisOf([item('2019-01-01', '2019-02-01')], today).from).toBe(dayNumber(today) - 335);
  });

  it('has a length even without items', () => {
    const axis = axisOf([], today);
    expect(axis.to).toBeGreaterThan(axis.today);
    expect(axis.from).toBeLessThan(axis.today);
  });
});

describe('the ageing ramp', () => {
  it('names buckets as people read them', () => {
    expect(['notDue', '1-30', 'over90'].map(bucketName)).toEqual(['Not due', '1–30', 'Over 90']);
  });

  it('never runs out of colours', () => {
    expect(ageColour(0)).toBe('var(--age-0)');
    expect(ageColour(99)).toBe('var(--age-7)');
  });
});

describe('the life strip', () => {
  const invoice: ItemView = {
    id: 1,
    document: 'INV-1',
    number: 'INV-1',
    kind: 'invoice',
    date: '2026-01-05',
    due: '2026-02-04',
    terms: '2/10 n/30',
    opened: '1000.00',
    open: '1000.00',
    daysOverdue: 40,
    bucket: 2,
    discounts: [{ deadline: '2026-01-15', lastDay: '2026-01-15', graceDays: 0, amount: '20.00', inForce: false }],
    discountToday: null,
    lateCharge: '8.77',
    chargedThrough: null,
    chargesFrom: '2026-02-05',
    changes: [],
    reminderLevel: 1,
    marks: [
      { level: 1, date: '2026-02-17', sent: true, number: 'REM-00001' },
      { level: 2, date: '2026-03-24', sent: false, number: null },
    ],
    reference: '',
    openByValue: '1000.00',
    disputed: '0.00',
  };
  const axis = axisOf([invoice], '2026-03-16');
  const draw = (change: Partial<ItemView> = {}, by: 'due' | 'invoice' = 'due') =>
    renderToStaticMarkup(<LifeStrip item={{ ...invoice, ...change }} axis={axis} ages={{ by, upTo: [30, 60, 90] }} />);
  const rects = (html: string) =>
    [...html.matchAll(/<rect x="([\d.]+)%"[^>]*width="([\d.]+)%" fill="([^"]+)" opacity="([\d.]+)"/g)].map(
      ([, x, width, fill, opacity]) => ({
        x: Number(x),
        end: Number(x) + Number(width),
        fill,
        faded: opacity !== '1',
      }),
    );

  it('goes from the discount window over the due date into the ageing ramp without a gap', () => {
    const parts = rects(draw());
    expect(parts.map((p) => p.fill)).toEqual([
      'var(--discount)',
      'var(--wait)',
      'var(--age-1)',
      'var(--age-2)',
      'var(--age-2)',
      'var(--age-3)',
    ]);
    for (let i = 1; i < parts.length; i++) expect(parts[i].x).toBeCloseTo(parts[i - 1].end, 0);
  });

  it('ages from the invoice date where the company does, and waits until it is due', () => {
    // Dated 5 January and due on 4 February, it is 30 days old when it falls due, 61 days on 7 March.
    expect(
      rects(draw({}, 'invoice'))
        .map((p) => p.fill)
        .slice(0, 4),
    ).toEqual(['var(--discount)', 'var(--wait)', 'var(--age-2)', 'var(--age-3)']);
    expect(draw({}, 'invoice')).toContain('31 to 60 days since its date, from 5 Feb 2026');
  });

  it('fades what lies after the business date', () => {
    expect(rects(draw()).map((p) => p.faded)).toEqual([false, false, false, false, true, true]);
  });

  it('marks reminders sent in full and those to come hollow, with their dates', () => {
    const html = draw();
    expect(html).toContain('Reminder REM-00001, level 1, 17 Feb 2026');
    expect(html).toContain('Level 2 can go out on 24 Mar 2026');
    expect([...html.matchAll(/<circle[^>]*fill="([^"]+)"/g)].map((m) => m[1])).toEqual(['var(--ink)', 'var(--card)']);
  });

  it('marks what settled it on its value date, and what was taken back on the day it was', () => {
    const none = { cash: '0.00', discount: '0.00', writeOff: '0.00', setOff: '0.00' };
    const html = draw({
      changes: [
        { ...none, valueDate: '2026-02-10', posted: '2026-02-12', cash: '980.00', discount: '20.00' },
        { ...none, valueDate: '2026-02-10', posted: '2026-03-02', cash: '-980.00', discount: '-20.00' },
      ],
    });
    expect(html).toContain('paid 980.00, discount 20.00; value 10 Feb 2026, posted 12 Feb 2026');
    expect(html).toContain('paid 980.00 taken back, discount 20.00 taken back; value 10 Feb 2026, posted 2 Mar 2026');
    expect(html).toContain('1 reminder sent, 1 correction"');
    const marks = [...html.matchAll(/<svg x="([\d.]+)%" y="17"[^>]*><path[^>]*fill="([^"]+)"/g)];
    expect(marks.map((m) => m[2])).toEqual(['var(--accent)', 'var(--card)']);
    expect(Number(marks[1][1])).toBeGreaterThan(Number(marks[0][1]));
  });

  it('draws above it how long it is held, with its end where one is known', () => {
    const holds = holdsOf({ id: 1, open: '1000.00' }, {
      disputes: [
        { id: 1, itemId: 1, document: 'INV-1', amount: '200.00', from: '2026-02-20', reason: 'short delivery' },
        { id: 2, itemId: 2, document: 'INV-2', amount: '9.00', from: '2026-02-20', reason: 'of another item' },
      ],
      promises: [
        { id: 1, madeOn: '2026-03-10', dueOn: '2026-03-20', amount: '800.00', state: 'waiting' },
        { id: 2, madeOn: '2026-01-10', dueOn: '2026-01-20', amount: '800.00', state: 'broken' },
      ],
      pause: { id: 1, from: '2026-03-12', until: '2026-03-31', reason: 'on holiday' },
      collection: null,
    } as unknown as Parameters<typeof holdsOf>[1]);
    expect(holds.map((h) => h.text)).toEqual([
      '200.00 in dispute since 20 Feb 2026: short delivery',
      '800.00 promised for 20 Mar 2026',
      'No reminders until 31 Mar 2026: on holiday',
    ]);
    const html = renderToStaticMarkup(
      <LifeStrip item={invoice} axis={axis} ages={{ by: 'due', upTo: [30] }} holds={holds} />,
    );
    const lines = [...html.matchAll(/<line x1="([\d.]+)%" x2="([\d.]+)%" y1="(5.5|2)"( y2="[\d.]+")?/g)];
    expect(lines.map((l) => l[3])).toEqual(['5.5', '2', '2']);
    // The dispute runs on to the end of the axis; the promise ends on its date.
    expect(lines[0][2]).toBe('100');
    expect(Number(lines[1][2])).toBeCloseTo(((dayNumber('2026-03-20') - axis.from) / (axis.to - axis.from)) * 100, 1);
    expect(html).toContain('; 200.00 in dispute since 20 Feb 2026: short delivery; 800.00 promised');
    expect(holdsOf({ id: 1, open: '-5.00' }, { disputes: [], promises: [], pause: null, collection: null })).toEqual(
      [],
    );
  });

  it('says in words what it shows', () => {
    expect(draw()).toContain('aria-label="INV-1: dated 5 Jan 2026, due 4 Feb 2026, 40 days overdue, 1 reminder sent"');
    expect(draw()).toContain('Discount 20.00 until 15 Jan 2026');
  });

  it('draws a credit as one part from its date on, without a due mark', () => {
    const html = draw({ open: '-50.00', discounts: [], marks: [], due: '2026-01-05' });
    expect(rects(html)).toHaveLength(1);
    expect(html).toContain('Credit since 5 Jan 2026');
    expect([...html.matchAll(/<line /g)]).toHaveLength(1);
  });

  it('has neither window nor ramp where there is no discount and nothing is due yet', () => {
    const parts = rects(draw({ discounts: [], due: '2026-04-20', daysOverdue: 0, marks: [] }));
    expect(parts[0].fill).toBe('var(--wait)');
    expect(parts.slice(1).every((p) => p.faded)).toBe(true);
  });
});
