import { Button } from 'antd';
import { useState, type ReactNode } from 'react';
import type { LedgerRowView } from '../../../api/generated';
import { ShowJournal } from './Journal';
import { Undo } from './Undo';

/** The last cell of a row of postings: its journal, and its way back. `dialogs` belongs behind the table. */
export function usePostingActions(): { cell: (row: LedgerRowView) => ReactNode; dialogs: ReactNode } {
  const [undoing, setUndoing] = useState<LedgerRowView | null>(null);
  const [journal, setJournal] = useState<LedgerRowView | null>(null);
  return {
    cell: (row) => (
      <td className="figure nowrap">
        <Button
          size="small"
          type="text"
          onClick={() => setJournal(row)}
          aria-label={`Journal of ${row.number || row.text}`}
        >
          Journal
        </Button>
        {row.canReverse && (
          <Button size="small" type="text" onClick={() => setUndoing(row)} aria-label={`Reverse ${row.number ?? ''}`}>
            Reverse
          </Button>
        )}
      </td>
    ),
    dialogs: (
      <>
        {undoing && <Undo entry={undoing} onClose={() => setUndoing(null)} />}
        {journal && <ShowJournal row={journal} onClose={() => setJournal(null)} />}
      </>
    ),
  };
}
