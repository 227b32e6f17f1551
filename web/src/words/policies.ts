import type { RoundingRule, Treatment } from '../api/generated';

export const roundingNames: Record<RoundingRule, string> = {
  halfAwayFromZero: 'away from zero',
  halfToEven: 'to the even neighbour',
};

/** What is done about a fee or a late charge on a reminder. */
export const treatments: Record<Treatment, string> = {
  post: 'posted and asked for',
  show: 'asked for, not posted',
  none: 'left out',
};
