import { useQuery } from '@tanstack/react-query';
import { getJournalOptions } from '../../api/generated/@tanstack/react-query.gen';
import { Dialog } from '../../form/Dialog';
import { Loaded } from '../../shell/Loaded';
import { JournalTable } from './JournalTable';

interface Entry {
  entryId: number;
  number?: string | null;
  text: string;
  openingDocument?: number | null;
  postedBy?: string;
}

/** The journal of one posting. */
export function ShowJournal({ entry, onClose }: { entry: Entry; onClose: () => void }) {
  const openingDocument = entry.openingDocument ?? undefined;
  const query = useQuery(getJournalOptions({ path: { entry: entry.entryId }, query: { openingDocument } }));
  return (
    <Dialog title={`Journal of ${entry.number || entry.text}`} onClose={onClose} width={520}>
      <Loaded query={query} what="the journal" lines={3}>
        {(lines) => <JournalTable lines={lines} />}
      </Loaded>
      <p className="muted small">
        Entry {entry.entryId}
        {entry.number && `: ${entry.text}`}
        {entry.postedBy && `. Posted by ${entry.postedBy}.`}
      </p>
    </Dialog>
  );
}
