import { isZero, money } from '../format/money';

/** What a tie bar needs: the parts of one item's open amount, and what is over. */
export interface Tie {
  open: string;
  cash: string;
  discount: string;
  writeOff: string;
  staysOpen: string;
  over?: string;
}

/**
 * One item's open amount, parted into cash, discount (lighter), what is written off (dotted) and what stays open (outline);
 * what is over runs on beyond its end. It ties where nothing stays open and nothing is over.
 */
export function TieBar({
  tie,
  cash = 'Cash',
}: {
  tie: Tie;
  /** What settles it, where that is no cash. */ cash?: string;
}) {
  const over = Number(tie.over ?? 0);
  const full = Math.max(Number(tie.open) + over, 0.0001);
  const parts = [
    { name: cash, kind: 'cash', amount: tie.cash },
    { name: 'Discount', kind: 'discount', amount: tie.discount },
    { name: 'Written off', kind: 'dots', amount: tie.writeOff },
    { name: 'Stays open', kind: 'open', amount: tie.staysOpen },
    { name: 'Over', kind: 'over', amount: tie.over ?? '0' },
  ];
  // Where each part starts is the sum of the parts before it.
  const starts = parts.map((_, i) => parts.slice(0, i).reduce((sum, part) => sum + Number(part.amount), 0));
  const ties = isZero(tie.staysOpen) && over === 0;
  const told = parts.filter((part) => Number(part.amount) > 0).map((part) => `${part.name} ${money(part.amount)}`);
  return (
    <div className={`tie-bar${ties ? ' ties' : ''}`} role="img" aria-label={`${told.join(', ')} of ${money(tie.open)}`}>
      {parts.map((part, i) =>
        Number(part.amount) > 0 ? (
          <div
            key={part.kind}
            className={`part ${part.kind}`}
            style={{ left: `${((starts[i] ?? 0) / full) * 100}%`, width: `${(Number(part.amount) / full) * 100}%` }}
            title={`${part.name} ${money(part.amount)}`}
          />
        ) : null,
      )}
      {over > 0 && <div className="end" style={{ left: `${(Number(tie.open) / full) * 100}%` }} />}
    </div>
  );
}
