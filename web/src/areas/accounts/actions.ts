import type { Keys } from '../../shell/keys';

/** What can be done on an account, each in a dialog of its own. */
export type Action =
  | 'payment'
  | 'invoice'
  | 'creditNote'
  | 'setOff'
  | 'refund'
  | 'writeOff'
  | 'charge'
  | 'reminder'
  | 'limit'
  | 'state'
  | 'settings'
  | 'opening'
  | 'call';

/** Those with a button and a key; some only where a credit is open, though their keys say so everywhere. */
export const actions: { name: Action; label: string; key: string; ofCredits?: boolean }[] = [
  { name: 'payment', label: 'Payment', key: 'R' },
  { name: 'invoice', label: 'Invoice', key: 'V' },
  { name: 'creditNote', label: 'Credit note', key: 'E' },
  { name: 'setOff', label: 'Set off', key: 'F', ofCredits: true },
  { name: 'refund', label: 'Pay back', key: 'P', ofCredits: true },
  { name: 'writeOff', label: 'Write off', key: 'X' },
  { name: 'call', label: 'Call', key: 'A' },
  { name: 'charge', label: 'Late charge', key: 'C' },
  { name: 'reminder', label: 'Remind', key: 'M' },
  { name: 'limit', label: 'Limit', key: 'L' },
  { name: 'state', label: 'State', key: 'S' },
  { name: 'settings', label: 'Terms', key: 'T' },
];

/** The keys of all actions. */
export const actionKeys = (act: (action: Action) => void): Keys =>
  Object.fromEntries(actions.map(({ name, key }) => [key.toLowerCase(), () => act(name)]));
