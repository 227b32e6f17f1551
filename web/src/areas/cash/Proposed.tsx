import type { PaymentProposalView } from '../../api/generated';
import { grouped } from '../../format/money';
import { Recognised } from './Recognised';
import { sure, sureness } from './sureness';

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

const capital = (text: string) => text.charAt(0).toUpperCase() + text.slice(1);
