import type { StatementLineView } from '../../api/generated';
import { money } from '../../format/money';

type Line = Pick<StatementLineView, 'state'>;

/** The next line that waits after this one, from the top again where there is none below; undefined where none is left. */
export function nextWaiting<L extends Line>(lines: L[], at: number): L | undefined {
  const waits = (l: L, i: number) => i !== at && l.state === 'waiting';
  return lines.find((l, i) => i > at && waits(l, i)) ?? lines.find(waits);
}

/** What stands under a line: what became of it, or what is proposed. */
export function toldOf(line: StatementLineView): string {
  switch (line.state) {
    case 'pending':
      return 'not booked by the bank yet';
    case 'posted':
      return line.document
        ? `posted as ${line.document}`
        : line.amount.startsWith('-')
          ? 'posted as a reversal'
          : 'came in and went back';
    case 'unassigned':
      return 'in the books, payer not known';
    case 'aside':
      return `put aside: ${line.reason}`;
    default:
      return proposedOf(line);
  }
}

function proposedOf(line: StatementLineView): string {
  if (line.settles) return `${line.settles.isSlip ? 'credits slip' : 'pays refund'} ${line.settles.number}`;
  if (line.returns) return 'takes an earlier payment back';
  if (line.amount.startsWith('-')) return 'goes out';
  if (!line.account) return 'payer not known';
  const unearned = line.findings.find((f) => f.code === 'discount-unearned');
  const rule = {
    named: `named: ${line.documents.join(', ')}`,
    one: `one item of just this amount: ${line.documents.join(', ')}`,
    set: `a set of items: ${line.documents.join(', ')}`,
    oldest: 'no items of this amount: oldest first',
    none: 'nothing is open; stays on account',
  }[line.rule ?? 'none'];
  return unearned ? `${rule}; a discount taken late` : rule;
}

/** How the cash was parted, as a sum one can follow; figures are the server's. */
export function sumOf(paid: string, cash: string[], credits: string[], onAccount: string) {
  const parts = [...cash.map(money), ...(onAccount ? [`${money(onAccount)} on account`] : [])];
  return `${[paid, ...credits].map(money).join(' + ')} = ${parts.join(' + ')}`;
}
