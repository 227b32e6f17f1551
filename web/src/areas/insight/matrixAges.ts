/** The days typed as a list; what is no whole number is left out, so that the answer says what is wanted. */
export const agesOf = (text: string): number[] =>
  text
    .split(/[,;\s]+/)
    .filter((part) => /^\d{1,5}$/.test(part))
    .map(Number);

/** What each rate is of: what is not due, each age, and what is older. */
export const namesOf = (upTo: readonly number[]): string[] => [
  'Not due',
  ...upTo.map((to, i) => `${(upTo[i - 1] ?? 0) + 1}–${to}`),
  upTo.length > 0 ? `Over ${upTo[upTo.length - 1]}` : 'Overdue',
];
