import type { LedgerRowView } from '../../api/generated';
import { money } from '../../format/money';

/** What of a receipt was cash, where discount or write-off came with it. */
export const Parts = ({ row }: { row: LedgerRowView }) =>
  row.cash && (row.discount || row.writeOff) ? (
    <div className="muted small nowrap">
      {[
        `${money(row.cash)} cash`,
        row.discount && `${money(row.discount)} discount`,
        row.writeOff && `${money(row.writeOff)} written off`,
      ]
        .filter(Boolean)
        .join(' · ')}
    </div>
  ) : null;
