import { describe, expect, it } from 'vitest';
import { asQuery, conditions, readView, type BoardView } from './boardQuery';

describe('the view of the board in the address', () => {
  it('is least headroom first, without conditions, when the address says nothing', () => {
    expect(readView(new URLSearchParams())).toEqual({ sort: 'headroom', filter: '', q: '', asOf: '', since: '' });
    expect(asQuery(readView(new URLSearchParams()))).toEqual({ sort: 'headroom' });
  });

  it('comes back as it was after a reload, every condition of it', () => {
    const view: BoardView = {
      sort: '-overdue',
      filter: 'over-limit',
      q: 'Quay & Sons',
      asOf: '2026-02-28',
      since: '2026-01-31',
      ...Object.fromEntries(conditions.map((c, i) => [c, `${c} ${i}:&=`])),
    };
    expect(readView(new URLSearchParams(new URLSearchParams(asQuery(view)).toString()))).toEqual(view);
  });

  it('leaves out what is empty and what it does not know', () => {
    const view = readView(new URLSearchParams('owner=&state=watch,stop&page=3&by=group'));
    expect(view).not.toHaveProperty('owner');
    expect(view).not.toHaveProperty('page');
    expect(asQuery({ ...view, reviewBy: '' })).toEqual({ sort: 'headroom', state: 'watch,stop' });
  });
});
