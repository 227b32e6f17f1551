import { Button } from 'antd';
import { useState, type ReactNode } from 'react';
import type { LedgerRowView, PostingKind } from '../../api/generated';
import { lazyDialog } from '../../shell/lazily';
import { useMay } from '../../shell/session';
import { SendDocument } from '../outbox';

const ShowJournal = lazyDialog(() => import('./ShowJournal').then((m) => m.ShowJournal));
const Settled = lazyDialog(() => import('./Settled').then((m) => m.Settled));
const MoveReceipt = lazyDialog(() => import('./MoveReceipt').then((m) => m.MoveReceipt));
const Undo = lazyDialog(() => import('./Undo').then((m) => m.Undo));

/** Kinds of posting that settle items, or whose items are settled. */
const settles = new Set<PostingKind>(['invoice', 'creditNote', 'receipt', 'lateCharge', 'reminderFee', 'allocation']);

/** What can be done with a posting: its journal, and its way back. `dialogs` belongs behind the table. */
export function usePostingActions(): { cell: (row: LedgerRowView) => ReactNode; dialogs: ReactNode } {
  const may = useMay();
  const [undoing, setUndoing] = useState<LedgerRowView | null>(null);
  const [settled, setSettled] = useState<LedgerRowView | null>(null);
  const [sending, setSending] = useState<LedgerRowView | null>(null);
  const [moving, setMoving] = useState<LedgerRowView | null>(null);
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
        {row.kind === 'receipt' && (
          <Button
            size="small"
            type="text"
            href={`/api/receipts/${row.entryId}/pdf`}
            target="_blank"
            aria-label={`Print ${row.number ?? ''}`}
          >
            Print
          </Button>
        )}
        {row.kind === 'receipt' && may('controller') && (
          <Button size="small" type="text" onClick={() => setSending(row)} aria-label={`Send ${row.number ?? ''}`}>
            Send
          </Button>
        )}
        {settles.has(row.kind) && !row.reversed && (
          <Button
            size="small"
            type="text"
            onClick={() => setSettled(row)}
            aria-label={`What is settled, ${row.number || row.text}`}
          >
            Settled
          </Button>
        )}
        {row.kind === 'receipt' && row.canReverse && may('controller') && (
          <Button size="small" type="text" onClick={() => setMoving(row)} aria-label={`Move ${row.number ?? ''}`}>
            Move
          </Button>
        )}
        {row.canReverse && may('controller') && (
          <Button size="small" type="text" onClick={() => setUndoing(row)} aria-label={`Reverse ${row.number ?? ''}`}>
            Reverse
          </Button>
        )}
      </>
    ),
    dialogs: (
      <>
        {settled && <Settled row={settled} onClose={() => setSettled(null)} />}
        {sending && (
          <SendDocument
            what={{ receipt: sending.entryId }}
            title={sending.number ?? 'the receipt'}
            account={sending.accountCode}
            onClose={() => setSending(null)}
          />
        )}
        {moving && <MoveReceipt row={moving} onClose={() => setMoving(null)} />}
        {undoing && <Undo code={undoing.accountCode} entry={undoing} onClose={() => setUndoing(null)} />}
        {journal && <ShowJournal entry={journal} onClose={() => setJournal(null)} />}
      </>
    ),
  };
}
