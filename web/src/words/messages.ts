import type { MailShape, MessageAct, MessagePurpose, MessageState } from '../api/generated';

export const purposes: Record<MessagePurpose, string> = {
  invoice: 'Invoice',
  creditNote: 'Credit note',
  receipt: 'Receipt',
  reminder: 'Reminder',
  lateCharge: 'Late charge',
  statement: 'Statement',
  view: 'View',
};

/** How far a message has come. */
export const messageStates: Record<MessageState, string> = {
  waiting: 'waits to be sent',
  toPrint: 'waits to be printed',
  held: 'held back',
  sending: 'is being sent',
  sent: 'sent',
  printed: 'printed',
  failed: 'not sent',
  unsure: 'unclear whether sent',
  withdrawn: 'withdrawn',
};

/** What may be done about a message, and the key that does it. */
export const messageActs: Record<MessageAct, { name: string; key: string }> = {
  hold: { name: 'Hold back', key: 'H' },
  release: { name: 'Release', key: 'R' },
  tryAgain: { name: 'Try again', key: 'A' },
  arrived: { name: 'Mark as arrived', key: 'V' },
  printed: { name: 'Mark as printed', key: 'D' },
  withdraw: { name: 'Withdraw', key: 'X' },
};

export const mailSecurities: Record<NonNullable<MailShape['security']>, string> = {
  startTls: 'STARTTLS',
  tls: 'TLS from the start',
  none: 'none',
};
