import { Alert, Checkbox } from 'antd';
import type { PaymentLineView } from '../../api/generated';
import { money } from '../../format/money';

/** What a payment raises of a reminder that it paid in full; such documents are not in the books yet. */
export const paidOfLetter = (lines: readonly PaymentLineView[]) => lines.filter((l) => l.itemId < 0);

/** What a reminder showed beyond its items, paid with it: income, unless it is to stay on account. */
export function PaidLetter({
  lines,
  kept,
  onKeep,
}: {
  /** The payment's lines. */
  lines: readonly PaymentLineView[];
  kept: boolean;
  onKeep: (keep: boolean) => void;
}) {
  const raised = paidOfLetter(lines);
  if (raised.length === 0 && !kept) return null;
  return (
    <Alert
      style={{ marginBottom: 8 }}
      type="info"
      showIcon
      title={
        raised.length > 0
          ? `The reminder is paid in full. Posted as income: ${raised.map((l) => `${l.document} ${money(l.cash)}`).join(', ')}.`
          : 'What the reminder showed as fee and interest is not posted; it stays on account.'
      }
      action={
        <Checkbox checked={kept} onChange={(e) => onKeep(e.target.checked)}>
          Keep it on account
        </Checkbox>
      }
    />
  );
}
