import { useQuery } from '@tanstack/react-query';
import type { LedgerRowView } from '../../api/generated';
import { getJournalOptions } from '../../api/generated/@tanstack/react-query.gen';
import { Dialog } from '../../form/Dialog';
import { Loaded } from '../../shell/Loaded';
import { JournalTable } from './JournalTable';

/** The journal of one posting. */
export function ShowJournal({ row, onClose }: { row: LedgerRowView; onClose: () => void }) {
  const openingDocument = row.openingDocument ?? undefined;
  const query = useQuery(getJournalOptions({ path: { entry: row.entryId }, query: { openingDocument } }));
  return (
    <Dialog title={`Journal of ${row.number || row.text}`} onClose={onClose} width={520}>
      <Loaded query={query} what="the journal" lines={3}>
        {(lines) => <JournalTable lines={lines} />}
      </Loaded>
      <p className="muted small">Posted by {row.postedBy}.</p>
    </Dialog>
  );
}
