import { useEffect, useRef, useState } from 'react';
import { proposePayment } from '../../api/generated';
import { answer } from '../../api/problem';
import { usePreview } from '../../form/usePreview';
import { chosenOf, type Chosen } from './paymentItems';

/** What was set by hand: the amount or the items, and then the other follows; or both. */
export type Led = 'amount' | 'items' | 'both';

/** After something was set by hand: what was set before stays as it was set. */
export const ledBy = (before: Led | null, now: 'amount' | 'items'): Led =>
  before === null || before === now ? now : 'both';

/**
 * A payment filled in from either side: an amount proposes the items that it settles, chosen items tell the amount that they
 * need. What was set by hand is never set by the proposal. What was decided on an item belongs to the figures it was decided
 * on: when amount, day or items change, it is asked again.
 */
export function useProposal(
  code: string,
  typed: { cash: string; valueDate: string; text: string },
  setCash: (cash: string) => void,
) {
  const [led, setLed] = useState<Led | null>(null);
  const [byHand, setByHand] = useState<number[]>([]);
  const [decided, setDecided] = useState<{ on: string; of: Chosen }>({ on: '', of: {} });
  const byItems = led === 'items';
  const body = {
    valueDate: typed.valueDate,
    cash: byItems ? '' : typed.cash,
    text: typed.text,
    items: byItems ? byHand : [],
  };
  const asks = byItems ? body.items.length > 0 : typed.cash !== '';
  const { effect, settled } = usePreview(asks ? JSON.stringify(body) : null, () =>
    answer(proposePayment({ path: { code }, body })),
  );
  const proposal = effect?.rule ? effect : null;
  const taken = led === 'amount' && proposal !== null;
  const ids = taken ? proposal.items : byHand;
  const on = JSON.stringify([byItems ? '' : typed.cash, typed.valueDate, [...ids].sort()]);
  const chosen = chosenOf(ids, decided.on === on ? decided.of : {});
  const need = byItems ? effect?.need : undefined;
  const set = useRef(setCash);
  useEffect(() => {
    set.current = setCash;
  });
  useEffect(() => {
    if (need !== undefined) set.current(need);
  }, [need]);
  return {
    led,
    proposal,
    /** Whether a proposal for what is typed is still being worked out: what it chooses may change what is posted. */
    working: asks && !settled,
    chosen,
    /** Whether the items are still those that were proposed as the oldest, which are filled one by one. */
    filled: taken && proposal.rule === 'oldest',
    toggle: (id: number) => {
      setLed((before) => ledBy(before, 'items'));
      setByHand(ids.includes(id) ? ids.filter((i) => i !== id) : [...ids, id]);
    },
    decide: (id: number, part: Partial<Chosen[number]>) =>
      setDecided({ on, of: { ...chosen, [id]: { ...chosen[id]!, ...part } } }),
    amountTyped: () => setLed((before) => ledBy(before, 'amount')),
    takeProposal: () => setLed('amount'),
  };
}
