import type { AccountPage, ItemView } from '../api/generated';
import { dayNumber, day } from '../format/dates';
import { money } from '../format/money';

/** A stretch of an item's life in which it is not asked for. */
export interface Hold {
  from: number;
  /** Null where its end is not known: a dispute that nobody settled, an account that was handed over. */
  to: number | null;
  /** Of this item, and not of the whole account. */
  own: boolean;
  text: string;
}

/**
 * What holds an item: its own disputes; the promise, the pause and the hand-over of its account. Credits are asked for by nobody.
 */
export function holdsOf(
  item: Pick<ItemView, 'id' | 'open'>,
  page: Pick<AccountPage, 'disputes' | 'promises' | 'pause' | 'collection'>,
): Hold[] {
  if (item.open.startsWith('-')) return [];
  return [
    ...page.disputes
      .filter((d) => d.itemId === item.id)
      .map((d) => ({
        from: dayNumber(d.from),
        to: d.settledOn ? dayNumber(d.settledOn) : null,
        own: true,
        text:
          `${money(d.amount)} in dispute since ${day(d.from)}` +
          (d.settledOn ? `, settled on ${day(d.settledOn)}` : '') +
          `: ${d.reason}`,
      })),
    ...page.promises
      .filter((p) => p.state === 'waiting')
      .map((p) => ({
        from: dayNumber(p.madeOn),
        to: dayNumber(p.dueOn),
        own: false,
        text: `${money(p.amount)} promised for ${day(p.dueOn)}`,
      })),
    ...(page.pause
      ? [
          {
            from: dayNumber(page.pause.from),
            to: dayNumber(page.pause.until),
            own: false,
            text: `No reminders until ${day(page.pause.until)}: ${page.pause.reason}`,
          },
        ]
      : []),
    ...(page.collection
      ? [
          {
            from: dayNumber(page.collection.from),
            to: null,
            own: false,
            text: `Handed over to ${page.collection.to} on ${day(page.collection.from)}`,
          },
        ]
      : []),
  ];
}
