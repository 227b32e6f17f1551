import type { CheckAnswer, CheckFinding, CheckResponse } from '../api/generated';

export const checkAnswers: Record<CheckAnswer, string> = {
  pass: 'Passes',
  tell: 'Passes, with a notice',
  ask: 'Asks for a reason',
  refuse: 'Refused',
};

/** What is done about a finding, in a word. */
export const responseNames: Record<CheckResponse, string> = { tell: 'tell', ask: 'ask', refuse: 'refuse' };

/** The same as choices. */
export const responseChoices: Record<CheckResponse, string> = {
  ...responseNames,
  ask: 'ask for a reason',
};

export const findingNames: Record<CheckFinding, string> = {
  overLimit: 'Over the limit',
  groupOverLimit: 'The group over its limit',
  overdue: 'Overdue',
  onStop: 'On stop',
  reviewLapsed: 'Limit review lapsed',
  termsNotConfirmed: 'Terms never confirmed',
  promiseBroken: 'Promise broken',
};
