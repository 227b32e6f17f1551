import type { WhatIfView } from '../../api/generated';
import { day } from '../../format/dates';

/** What a what-if replaces, each part in a few words. */
export const replaced = (w: WhatIfView): string[] =>
  [
    w.terms && `terms ${w.terms}`,
    w.lateCharges && `late charges by ${w.lateCharges}`,
    w.reminders && `reminders by ${w.reminders}`,
    w.limitPercent && `limits at ${w.limitPercent} %`,
    w.responses && 'other check rules',
    w.movesFrom && `discounts from ${w.movesFrom} % a year draw payments`,
  ].filter((part): part is string => !!part);

/** The period of a what-if, and its accounts. */
export const scopeOf = (w: WhatIfView): string =>
  `${day(w.from)} to ${day(w.to)}, ${w.words[0]?.toLowerCase() ?? ''}${w.words.slice(1)}`;

/** One thing of a what-if that can be given to its accounts: a field of theirs, and its value. */
export interface Apply {
  label: string;
  field: string;
  value: string;
}

/** What of a what-if can be applied to the accounts it was about. */
export const appliable = (w: WhatIfView): Apply[] =>
  [
    { label: `Terms ${w.terms}`, field: 'terms', value: w.terms },
    { label: `Late-charge policy ${w.lateCharges}`, field: 'lateChargePolicy', value: w.lateCharges },
    { label: `Reminder plan ${w.reminders}`, field: 'reminderPlan', value: w.reminders },
    {
      label: `Limits at ${w.limitPercent} % of the present ones`,
      field: 'limit',
      value: w.limitPercent && `${w.limitPercent} %`,
    },
  ].filter((part) => part.value !== '');
