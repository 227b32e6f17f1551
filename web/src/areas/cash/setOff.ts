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
