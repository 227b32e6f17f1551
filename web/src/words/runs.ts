import type {
  CollectionKind,
  RunChangeKind,
  RunKind,
  RunLineState,
  RunScheduleShape,
  RunState,
} from '../api/generated';

export const runKinds: Record<RunKind, string> = {
  'late-charges': 'Late charges',
  reminders: 'Reminders',
};

export const runStates: Record<RunState, string> = {
  proposing: 'being worked out',
  proposed: 'to be posted',
  posting: 'being posted',
  stopped: 'stopped',
  posted: 'posted',
  discarded: 'discarded',
  reversing: 'being reversed',
  reversed: 'reversed',
};

/** What its last step was, before the name of who took it. */
export const runSteps: Record<RunState, string> = {
  proposing: 'being worked out',
  proposed: 'proposed',
  posting: 'being posted',
  stopped: 'stopped',
  posted: 'posted',
  discarded: 'discarded',
  reversing: 'being reversed',
  reversed: 'reversed',
};

/** How accounts of a run stand, as headings of their lists. */
export const lineStates: Record<RunLineState, string> = {
  ready: 'To post',
  leftOut: 'Left out',
  changed: 'Changed since',
  failed: 'Not posted',
  posted: 'Posted',
  reversed: 'Reversed',
};

export const runChanges: Record<RunChangeKind, string> = {
  leaveOut: 'Left out',
  putBack: 'Put back',
  takeIn: 'Taken in',
  leaveOutItem: 'Item left out',
  putBackItem: 'Item put back',
  cutItem: 'Charge cut',
  setLevel: 'Level chosen',
  confirm: 'Confirmed',
};

export const rhythms: Record<NonNullable<RunScheduleShape['rhythm']>, string> = {
  daily: 'every business day',
  weekly: 'every week, on day',
  monthly: 'every month, on business day',
};

export const collectionKinds: Record<CollectionKind, string> = {
  agency: 'Collection agency',
  legal: 'Lawyers or court',
};

export const weekdays = ['Monday', 'Tuesday', 'Wednesday', 'Thursday', 'Friday'];
