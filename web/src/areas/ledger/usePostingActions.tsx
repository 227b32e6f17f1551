import { Button } from 'antd';
import { useState, type ReactNode } from 'react';
import type { LedgerRowView } from '../../api/generated';
import { lazyDialog } from '../../shell/lazily';
import { useMay } from '../../shell/session';

const ShowJournal = lazyDialog(() => import('./ShowJournal').then((m) => m.ShowJournal));
const Undo = lazyDialog(() => import('./Undo').then((m) => m.Undo));

/** What can be done with a posting: its journal, and its way back. `dialogs` belongs behind the table. */
export function usePostingActions(): { cell: (row: LedgerRowView) => ReactNode; dialogs: ReactNode } {
  const may = useMay();
  const [undoing, setUndoing] = useState<LedgerRowView | null>(null);
  const [journal, setJournal] = useState<LedgerRowView | null>(null);
  return {
    cell: (row) => (
      <>
        <Button
          size="small"
          type="text"
          onClick={() => setJournal(row)}
          aria-label={`Journal of ${row.number || row.text}`}
        >
          Journal
        </Button>
        {row.canReverse && may('controller') && (
          <Button size="small" type="text" onClick={() => setUndoing(row)} aria-label={`Reverse ${row.number ?? ''}`}>
            Reverse
          </Button>
        )}
      </>
    ),
    dialogs: (
      <>
        {undoing && <Undo code={undoing.accountCode} entry={undoing} onClose={() => setUndoing(null)} />}
        {journal && <ShowJournal row={journal} onClose={() => setJournal(null)} />}
      </>
    ),
  };
}
