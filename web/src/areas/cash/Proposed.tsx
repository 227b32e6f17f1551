import type { PaymentProposalView } from '../../api/generated';
import { grouped } from '../../format/money';

/** Why these items are proposed, how sure that is, and what of the payer's text was recognised. */
export function Proposed({
  proposal,
  text,
  taken,
  onTake,
}: {
  proposal: PaymentProposalView | null;
  text: string;
  taken: boolean;
  onTake: () => void;
}) {
  if (!proposal) return null;
  return (
    <div className="proposed" aria-live="polite">
      <span className={`sure ${sureness(proposal.confidence)}`}>{sure[sureness(proposal.confidence)]}</span>
      <span>
        {grouped(capital(proposal.why))}.{proposal.findings.map((f) => ` ${grouped(f.text)}.`)}
        {proposal.named.length > 0 && <Recognised text={text} named={proposal.named} />}
      </span>
      {!taken && (
        <button type="button" className="linkish" onClick={onTake}>
          Take these items
        </button>
      )}
    </div>
  );
}

type Sureness = 'certain' | 'likely' | 'unsure';

const sure: Record<Sureness, string> = { certain: 'Certain', likely: 'Likely', unsure: 'Not sure' };

/** Certain is what has one answer that ties with nothing written off. */
export const sureness = (confidence: number): Sureness =>
  confidence >= 1 ? 'certain' : confidence >= 0.5 ? 'likely' : 'unsure';

const capital = (text: string) => text.charAt(0).toUpperCase() + text.slice(1);

/** The text with what was recognised in it marked. */
export function Recognised({ text, named }: { text: string; named: { from: number; to: number }[] }) {
  const marks = named
    .map(({ from, to }) => ({ from, to }))
    .sort((a, b) => a.from - b.from)
    .filter((mark, i, all) => i === 0 || mark.from >= (all[i - 1]?.to ?? 0));
  return (
    <span className="recognised">
      {marks.map((mark, i) => (
        <span key={mark.from}>
          {text.slice(i === 0 ? 0 : marks[i - 1]?.to, mark.from)}
          <mark>{text.slice(mark.from, mark.to)}</mark>
        </span>
      ))}
      {text.slice(marks.at(-1)?.to ?? 0)}
    </span>
  );
}
