import type { AuthorityShape } from '../../api/generated';
import { isZero, withCurrency } from '../../format/money';

export const authorityParts: [keyof AuthorityShape, string][] = [
  ['limit', 'Limit the user may grant'],
  ['release', 'Over limit that may be released'],
  ['discount', 'Unearned discount that may be allowed, an item'],
  ['writeOff', 'Write-off above the allowance, an item'],
];

/** The same as headings. */
export const shortParts: Record<keyof AuthorityShape, string> = {
  limit: 'Limits',
  release: 'Over limit',
  discount: 'Unearned discount',
  writeOff: 'Write-off',
};

/** A bound in words: none at all, up to an amount, or without bound. */
export const bound = (amount: string | null | undefined, currency: string) =>
  amount === null || amount === undefined
    ? 'without bound'
    : isZero(amount)
      ? 'none'
      : `up to ${withCurrency(amount, currency).replace(/\.00\b/, '')}`;
