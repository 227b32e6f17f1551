import {
  askDeposit,
  changeOrder,
  closeOrder,
  declineOrder,
  releaseOrder,
  type OrderEffectView,
  type OrderRow,
} from '../../api/generated';
import { answer } from '../../api/problem';

/** What can be decided on an order. */
export type Deed = 'release' | 'decline' | 'deposit' | 'close' | 'change';

export const titles: Record<Deed, string> = {
  release: 'Release',
  decline: 'Decline',
  deposit: 'Ask for a deposit',
  close: 'Close',
  change: 'Change the amount',
};

/** What is typed for a decision: the amount means what is released, asked for or ordered. */
export interface DeedBody {
  amount: string;
  until: string;
  reason: string;
}

/** Carries a decision out, or shows what it would do. The order's sequence guards it against one made meanwhile. */
export function decide(deed: Deed, order: OrderRow, body: DeedBody, preview = false): Promise<OrderEffectView> {
  const request = {
    path: { id: order.id },
    headers: { 'If-Match': `"${order.seq}"` },
    body,
  };
  const query = { preview };
  switch (deed) {
    case 'release':
      return answer(releaseOrder({ ...request, query }));
    case 'change':
      return answer(changeOrder({ ...request, query, body: { total: body.amount, reason: body.reason } }));
    case 'deposit':
      return answer(askDeposit(request));
    case 'decline':
      return answer(declineOrder(request));
    case 'close':
      return answer(closeOrder(request));
  }
}
