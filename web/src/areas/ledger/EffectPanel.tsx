import type { EffectView, WarningView } from '../../api/generated';
import { LimitBar } from '../../drawings/LimitBar';
import { isNegative, money, size } from '../../format/money';
import { warningNames } from '../../words/documents';
import { JournalTable } from './JournalTable';

/** What is named before a document is posted: that it was likely posted before, or that its date is unusual. */
function Warnings({ of }: { of: WarningView[] }) {
  if (of.length === 0) return null;
  return (
    <ul className="effect-warnings" aria-label="Look again">
      {of.map((w) => (
        <li key={w.code + w.text}>
          <strong>{warningNames[w.code] ?? w.code}</strong> {w.text}
        </li>
      ))}
    </ul>
  );
}

/** The journal of a posting and the account before and after it: shown before anything is posted. */
export function EffectPanel({ effect }: { effect: EffectView }) {
  const scale = Math.max(
    1,
    ...[effect.before, effect.after].map((r) => Math.max(Number(r.exposure), Number(r.effectiveLimit))),
  );
  return (
    <div className="ties" data-testid="effect">
      <Warnings of={effect.warnings ?? []} />
      <section>
        <h3>Journal</h3>
        <JournalTable lines={effect.journal} />
      </section>
      <section>
        <h3>The account</h3>
        <div className="before-after" style={{ marginTop: 6 }}>
          {(['before', 'after'] as const).map((side) => (
            <div key={side} style={{ display: 'contents' }}>
              <span className="muted">{side === 'before' ? 'Before' : 'After'}</span>
              <LimitBar row={effect[side]} scale={scale} />
              <span className={`figure small${isNegative(effect[side].headroom) ? ' alarm' : ''}`}>
                {money(effect[side].exposure)}
                <br />
                {isNegative(effect[side].headroom)
                  ? `over by ${size(effect[side].headroom)}`
                  : `${money(effect[side].headroom)} left`}
              </span>
            </div>
          ))}
        </div>
      </section>
    </div>
  );
}
