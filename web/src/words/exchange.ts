import type { ExchangeOutcome } from '../api/generated';

/** What a row of a file does. */
export const outcomes: Record<ExchangeOutcome, string> = {
  new: 'new',
  changed: 'changed',
  same: 'the same',
  refused: 'refused',
};
