import type { CheckAnswer, CheckFinding, CheckResponse } from '../api/generated';

export const checkAnswers: Record<CheckAnswer, string> = {
  pass: 'Passes',
  tell: 'Passes, with a notice',
  ask: 'Asks for a reason',
  refuse: 'Refused',
};

export const responseNames: Record<CheckResponse, string> = {
  tell: 'tell',
  ask: 'ask for a reason',
  refuse: 'refuse',
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
