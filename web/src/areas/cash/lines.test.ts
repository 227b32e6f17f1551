import { describe, expect, it } from 'vitest';
import type { StatementLineView } from '../../api/generated';
import { nextWaiting, sumOf, toldOf } from './lines';

const line = (more: Partial<StatementLineView>): StatementLineView => ({
  id: 1,
  reference: 'R1',
  date: '2026-03-16',
  valueDate: '2026-03-16',
  amount: '100.00',
  state: 'waiting',
  payer: 'PELLWORM',
  account: 'PEL01',
  accountName: 'Pellworm Sail Loft',
  why: '',
  rule: 'named',
  confidence: 1,
  documents: ['INV-1', 'INV-2'],
  document: null,
  posting: null,
  reason: '',
  returns: false,
  settles: null,
  findings: [],
  ...more,
});

describe('the lines of a statement', () => {
  it('goes from a line that is done to the next one that waits, and round to the top', () => {
    const of = (...states: StatementLineView['state'][]) => states.map((state, id) => line({ id, state }));
    expect(nextWaiting(of('waiting', 'posted', 'waiting'), 0)?.id).toBe(2);
    expect(nextWaiting(of('waiting', 'pending', 'waiting'), 2)?.id).toBe(0);
    expect(nextWaiting(of('posted', 'waiting'), 1)).toBeUndefined();
    expect(nextWaiting([], -1)).toBeUndefined();
  });

  it('says what is proposed, and what became of it', () => {
    expect(toldOf(line({}))).toBe('named: INV-1, INV-2');
    expect(toldOf(line({ findings: [{ code: 'discount-unearned', text: '' }] }))).toContain('a discount taken late');
    expect(toldOf(line({ account: null }))).toBe('payer not known');
    expect(toldOf(line({ amount: '-8.00' }))).toBe('goes out');
    expect(toldOf(line({ amount: '-8.00', returns: true }))).toBe('takes an earlier payment back');
    expect(toldOf(line({ state: 'posted', document: 'RCT-1' }))).toBe('posted as RCT-1');
    expect(toldOf(line({ state: 'posted', amount: '-8.00' }))).toBe('posted as a reversal');
    expect(toldOf(line({ state: 'posted' }))).toBe('came in and went back');
    expect(toldOf(line({ state: 'aside', reason: 'charges' }))).toBe('put aside: charges');
  });

  it('shows how the money was parted', () => {
    expect(sumOf('1952.16', ['1215.20', '736.96'], [], '')).toBe('1,952.16 = 1,215.20 + 736.96');
    expect(sumOf('240.00', ['300.00'], ['60.00'], '')).toBe('240.00 + 60.00 = 300.00');
    expect(sumOf('50.00', [], [], '50.00')).toBe('50.00 = 50.00 on account');
  });
});
