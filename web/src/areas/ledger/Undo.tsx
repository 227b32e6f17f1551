import { cancelReminder, reverseOpeningDocument, reversePosting, type LedgerRowView } from '../../api/generated';
import { answer } from '../../api/problem';
import { plain } from '../../form/options';
import { useKey } from '../../form/useKey';
import { kindNames } from '../../words/ledger';
import { EffectDialog } from './EffectDialog';

type What = { entry: LedgerRowView; reminder?: undefined } | { entry?: undefined; reminder: string };

/** Reverses a posting or cancels a reminder; its effect is shown first, and the original stays. */
export function Undo({ code, entry, reminder, onClose }: What & { code: string; onClose: () => void }) {
  const once = useKey();
  const act = (preview: boolean, reason: string, bankFee: string) => {
    if (!entry) return answer(cancelReminder({ path: { number: reminder }, query: { preview }, body: { reason } }));
    const request = { query: { preview }, body: { reason }, headers: once };
    return answer(
      entry.openingDocument
        ? reverseOpeningDocument({ ...request, path: { id: entry.openingDocument } })
        : reversePosting({
            ...request,
            path: { entry: entry.entryId },
            body: { reason, bankFee: bankFee.trim() === '' ? null : plain(bankFee) },
          }),
    );
  };
  const name = entry ? `${kindNames[entry.kind]} ${entry.number ?? ''}` : `Reminder ${reminder}`;
  return (
    <EffectDialog
      code={code}
      title={`${entry ? 'Reverse' : 'Cancel'} ${name}`}
      action={entry ? 'Reverse it' : 'Cancel the reminder'}
      done={`${name} is ${entry ? 'reversed' : 'cancelled'}.`}
      act={act}
      mayCharge={entry?.kind === 'receipt'}
      onClose={onClose}
    />
  );
}
