import { grantMissedDiscount, takeWriteOffBack, undoAllocation, type SettledByView } from '../../api/generated';
import { answer } from '../../api/problem';
import { useKey } from '../../form/useKey';
import { EffectDialog } from './EffectDialog';

/** What is put right of one link. */
export interface Correction {
  kind: 'undo' | 'writeOffBack' | 'discount';
  link: SettledByView;
  /** The discount that is given, by its deadline. */
  step?: string;
}

const words = {
  undo: {
    title: (l: SettledByView) => `Undo what ${l.credit} settles of ${l.debit}`,
    note: 'The item is open again, and what it used of the credit is on account. The bank is left alone.',
    action: 'Undo it',
    done: 'It is undone.',
  },
  writeOffBack: {
    title: (l: SettledByView) => `Take the write-off on ${l.debit} back`,
    note: 'What was written off is open again.',
    action: 'Take it back',
    done: 'The write-off is taken back.',
  },
  discount: {
    title: (l: SettledByView) => `Give the discount on ${l.debit}`,
    note: 'It is given on the value date of the payment. The cash that it frees stays on account; the bank is left alone.',
    action: 'Give the discount',
    done: 'The discount is given.',
  },
};

/** Puts one link right, with its effect shown before and the reason. */
export function Correct({ correction, code, onClose }: { correction: Correction; code: string; onClose: () => void }) {
  const once = useKey();
  const { kind, link, step } = correction;
  const said = words[kind];
  const act = (preview: boolean, reason: string) => {
    const request = { path: { id: link.id }, query: { preview }, headers: once };
    return answer(
      kind === 'undo'
        ? undoAllocation({ ...request, body: { reason } })
        : kind === 'writeOffBack'
          ? takeWriteOffBack({ ...request, body: { reason } })
          : grantMissedDiscount({ ...request, body: { reason, step } }),
    );
  };
  return (
    <EffectDialog
      code={code}
      title={said.title(link)}
      action={said.action}
      note={said.note}
      done={`${said.done} It can be reversed from the ledger.`}
      act={act}
      onClose={onClose}
    />
  );
}
