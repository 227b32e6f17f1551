import type { PaymentItemShape } from '../../api/generated';

/** What is done about an item's discount: by the rules, not given, or the step that is granted, by its deadline. */
export type DiscountChoice = string;
export const proposed: DiscountChoice = 'proposed';
export const refused: DiscountChoice = 'refuse';
export const granted: DiscountChoice = 'grant';
const isGrant = (choice: DiscountChoice) => choice !== proposed && choice !== refused;

/** The items a payment is for, by their ids. Where nothing is said of the write-off, the allowance decides. */
export type Chosen = Record<number, { discount: DiscountChoice; writeOff?: boolean; dispute?: boolean }>;

/** Whether something was decided on one of them otherwise than it is proposed. */
export const isDecided = (chosen: Chosen) =>
  Object.values(chosen).some(({ discount, writeOff, dispute }) => discount !== proposed || writeOff || dispute);

/** The items with one taken in, or left out where it was in. */
export const toggled = (chosen: Chosen, id: number): Chosen => {
  const { [id]: was, ...rest } = chosen;
  return was ? rest : { ...rest, [id]: { discount: proposed } };
};

/** The items that are proposed; what was decided about one before stays. */
export const chosenOf = (ids: number[], before: Chosen): Chosen =>
  Object.fromEntries(ids.map((id) => [id, before[id] ?? { discount: proposed }]));

/** As they are sent. */
export const paymentItems = (chosen: Chosen): PaymentItemShape[] =>
  Object.entries(chosen).map(([id, { discount, writeOff, dispute }]) => ({
    id: Number(id),
    discount: isGrant(discount) ? 'grant' : (discount as 'proposed' | 'refuse'),
    // Without a step the server takes the one that the payment speaks of.
    step: isGrant(discount) && discount !== granted ? discount : undefined,
    writeOff,
    dispute,
  }));
