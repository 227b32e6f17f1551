import type { PostingPurpose } from '../../api/generated';
import { purposeNames } from '../../words/ledger';

/** A posting account: its number, what it is for, and the currency it is looked at in. */
export interface PostingAccount {
  account: string;
  purpose: PostingPurpose;
  currency: string;
}

const isPurpose = (text: string): text is PostingPurpose => Object.hasOwn(purposeNames, text);

/** As it stands in the address. The number may hold anything, so it comes last. */
export const textOf = (of: PostingAccount) => `${of.currency}-${of.purpose}-${of.account}`;

/** From the address; null where none is named, or what stands there is none. */
export function ofText(text: string | null): PostingAccount | null {
  const [, currency, purpose, account] = /^([A-Z]{3})-([A-Za-z]+)-(.*)$/.exec(text ?? '') ?? [];
  return currency && purpose && isPurpose(purpose) && account !== undefined ? { account, purpose, currency } : null;
}
