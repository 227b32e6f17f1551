/** What each key does, by where it works. What works everywhere works in no other way anywhere. */
export const keyNames: [string, [string, string][]][] = [
  [
    'Everywhere',
    [
      ['1 2 3 4 5 6 7 8', 'Today, Accounts, Orders, Cash, Runs, Outbox, Policies, Insight'],
      ['/', 'find an account or document, or do something'],
      ['N', 'new account'],
      ['?', 'this list'],
      ['Esc', 'back, or close'],
    ],
  ],
  [
    'Lists',
    [
      ['J K', 'down and up'],
      ['Enter', 'open'],
      ['→ ←', 'unfold and fold a group'],
    ],
  ],
  [
    'Today',
    [
      ['Enter', 'do what the entry needs'],
      ['O', 'open its account'],
      ['P', 'put it off to a later day'],
    ],
  ],
  [
    'Insight',
    [
      ['Enter', 'the items behind a line of the ageing or a measure; the correction of a case of leakage'],
      ['W', 'workings of the measures, of the provision, or of a what-if'],
      ['M', 'new rates of the provision matrix; a new what-if'],
    ],
  ],
  [
    'Orders',
    [
      ['O', 'check an order'],
      ['R', 'release'],
      ['D', 'ask for a deposit'],
      ['X', 'decline'],
      ['V', 'make an invoice of it'],
      ['C', 'change the amount'],
    ],
  ],
  [
    'Cash',
    [
      ['B', 'read a bank statement'],
      ['F', 'fetch the statement of the day from the bank'],
      ['Enter', 'post the line in hand, and to the next'],
      ['G', 'post all that is certain'],
      ['I', 'choose other items'],
      ['O', 'choose another account'],
      ['A', 'allow the discount that was taken late'],
      ['X', 'write off what is short'],
      ['D', 'make a dispute of what is short'],
      ['U', 'post it, its payer not known'],
      ['Z', 'put the line aside'],
    ],
  ],
  [
    'Banking, refunds, journal',
    [
      ['S', 'write the slip for what is to be banked'],
      ['O', 'order the refunds from the bank'],
      ['H', 'hand the journal over'],
      ['Enter', 'put the receipt in hand on the slip or off it; open the account or the entry in hand'],
    ],
  ],
  [
    'Runs',
    [
      ['C M', 'new run of late charges, of reminders'],
      ['G', 'post the run, or go on with it'],
      ['X', 'leave the account in hand out, or put it back'],
      ['T', 'take it in, or confirm what changed'],
      ['E', 'choose the level of its letter'],
      ['Z', 'pause its reminders'],
      ['O', 'open the account'],
      ['W', 'workings, or the letter'],
    ],
  ],
  [
    'Outbox',
    [
      ['P', 'print what waits'],
      ['H R', 'hold the message in hand back, release it'],
      ['A', 'try it again'],
      ['V D', 'say that it arrived, that it was printed'],
      ['X', 'withdraw it'],
    ],
  ],
  [
    'An account',
    [
      ['R', 'take a payment'],
      ['V', 'write an invoice'],
      ['E', 'write a credit note'],
      ['F', 'set off a credit'],
      ['P', 'pay a credit back'],
      ['X', 'write off the item in hand, or another one'],
      ['A', 'note what came of a call'],
      ['C', 'raise the late charge'],
      ['M', 'issue the next reminder'],
      ['L', 'change the limit'],
      ['S', 'change the state'],
      ['T', 'terms and policies'],
      ['D', 'the date to settle on'],
      ['W', 'workings of exposure, or of the focused row'],
    ],
  ],
];
