import { money } from '../format/money';

/** Whether a value is a number, so that it is grouped and lined up; other values are words, days or percentages. */
export const isFigure = (value: string) => /^[-−]?\d+(\.\d+)?$/.test(value);

/** A number parted at its point, its whole grouped. */
export function parted(value: string): { whole: string; rest: string } {
  const [whole, rest] = money(value.replace('−', '-')).split('.');
  return { whole, rest: rest === undefined ? '' : `.${rest}` };
}

/** How much room the longest part behind a point takes, in characters. */
export const room = (values: readonly string[]) =>
  Math.max(0, ...values.filter(isFigure).map((v) => parted(v).rest.length));
