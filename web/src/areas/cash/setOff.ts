import type { ItemView } from '../../api/generated';
import { plain } from '../../form/options';

/** What each item takes, as it was typed, by its identifier. */
export type Taken = Record<number, string>;

export const isCredit = (item: ItemView) => item.open.startsWith('-');

/** What was typed as it is sent: items with an amount alone. */
export const asItems = (taken: Taken) =>
  Object.entries(taken)
    .filter(([, amount]) => amount.trim() !== '')
    .map(([item, amount]) => ({ item: Number(item), amount: plain(amount) }));

/** The smaller of two amounts in the same currency, by their figures alone. */
export const smaller = (a: string, b: string) => {
  const [x, y] = [a, b].map((amount) => amount.replace(/^[-−]/, '').replace('.', ''));
  const width = Math.max(x!.length, y!.length);
  return x!.padStart(width, '0') <= y!.padStart(width, '0') ? a : b;
};
