import dayjs from 'dayjs';
import { describe, expect, it } from 'vitest';
import { callOf, type Typed } from './callOf';

const nothing: Typed = {
  contact: 'A. Kemp',
  text: 'will look into it',
  promised: '',
  dueOn: dayjs('2026-03-23'),
  replaces: [],
  disputed: '',
  disputedAmount: '',
  disputeReason: '',
  callAgain: null,
  callAbout: '',
  copies: [],
  statement: false,
  recipients: 'x@y.example',
};
const iso = (d: dayjs.Dayjs) => d.format('YYYY-MM-DD');

describe('what is sent after a call', () => {
  it('is the note alone where the rest is left empty', () => {
    expect(callOf(nothing, iso)).toEqual({ contact: 'A. Kemp', text: 'will look into it' });
  });

  it('has each part that was filled in', () => {
    expect(
      callOf(
        {
          ...nothing,
          promised: '120.00',
          disputed: '7',
          disputeReason: 'short delivery',
          callAgain: dayjs('2026-03-20'),
          callAbout: 'cheque',
          copies: [4, 5],
          statement: true,
        },
        iso,
      ),
    ).toEqual({
      contact: 'A. Kemp',
      text: 'will look into it',
      promise: { amount: '120.00', dueOn: '2026-03-23', replaces: [] },
      dispute: { itemId: 7, amount: '', reason: 'short delivery' },
      callAgain: '2026-03-20',
      callAbout: 'cheque',
      copies: [4, 5],
      statement: true,
      recipients: 'x@y.example',
    });
  });
});
