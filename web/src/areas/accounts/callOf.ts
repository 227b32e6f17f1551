import type { Dayjs } from 'dayjs';
import type { CallRequest } from '../../api/generated';

/** What is typed after a call; amounts are plain. */
export interface Typed {
  contact: string;
  text: string;
  promised: string;
  dueOn: Dayjs;
  /** Open promises that it takes the place of. */
  replaces: number[];
  /** The identifier of an item, or empty. */
  disputed: string;
  disputedAmount: string;
  disputeReason: string;
  callAgain: Dayjs | null;
  callAbout: string;
  copies: number[];
  statement: boolean;
  recipients: string;
}

/** What is sent of it: a part that was left empty is not in it. */
export const callOf = (v: Typed, iso: (day: Dayjs) => string): CallRequest => ({
  contact: v.contact,
  text: v.text,
  ...(v.promised !== '' && { promise: { amount: v.promised, dueOn: iso(v.dueOn), replaces: v.replaces } }),
  ...(v.disputed !== '' && {
    dispute: { itemId: Number(v.disputed), amount: v.disputedAmount, reason: v.disputeReason },
  }),
  ...(v.callAgain && { callAgain: iso(v.callAgain), callAbout: v.callAbout }),
  ...(v.copies.length > 0 && { copies: v.copies }),
  ...(v.statement && { statement: true }),
  ...((v.copies.length > 0 || v.statement) && { recipients: v.recipients }),
});
