import { describe, expect, it } from 'vitest';
import type { WhatIfView } from '../../api/generated';
import { appliable, replaced, scopeOf } from './replaced';

const asked = {
  from: '2025-03-17',
  to: '2026-03-16',
  words: 'Owner Ann',
  terms: 'n/14',
  lateCharges: '',
  reminders: '',
  limitPercent: '80',
  responses: null,
  movesFrom: '',
} as WhatIfView;

describe('a what-if', () => {
  it('says what it replaces, and of which accounts and days', () => {
    expect(replaced(asked)).toEqual(['terms n/14', 'limits at 80 %']);
    expect(scopeOf(asked)).toBe('17 Mar 2025 to 16 Mar 2026, owner Ann');
  });

  it('gives its accounts what it replaced, a limit as a part of the present one', () =>
    expect(appliable(asked).map((a) => [a.field, a.value])).toEqual([
      ['terms', 'n/14'],
      ['limit', '80 %'],
    ]));
});
