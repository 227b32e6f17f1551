import type { Keys } from '../../shell/keys';

/** What can be done on an account, each in a dialog of its own. */
export type Action =
  | 'payment'
  | 'invoice'
  | 'creditNote'
  | 'setOff'
  | 'writeOff'
  | 'charge'
  | 'reminder'
  | 'limit'
  | 'state'
  | 'settings'
  | 'opening';

/** Those with a button and a key. */
export const actions: { name: Action; label: string; key: string }[] = [
  { name: 'payment', label: 'Take payment', key: 'R' },
  { name: 'invoice', label: 'Invoice', key: 'V' },
  { name: 'creditNote', label: 'Credit note', key: 'E' },
  { name: 'setOff', label: 'Set off', key: 'F' },
  { name: 'writeOff', label: 'Write off', key: 'X' },
  { name: 'charge', label: 'Late charge', key: 'C' },
  { name: 'reminder', label: 'Remind', key: 'M' },
  { name: 'limit', label: 'Limit', key: 'L' },
  { name: 'state', label: 'State', key: 'S' },
  { name: 'settings', label: 'Terms', key: 'T' },
];

/** The keys of all actions. */
export const actionKeys = (act: (action: Action) => void): Keys =>
  Object.fromEntries(actions.map(({ name, key }) => [key.toLowerCase(), () => act(name)]));
