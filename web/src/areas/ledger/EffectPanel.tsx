import type { EffectView } from '../../api/generated';
import { LimitBar } from '../../drawings/LimitBar';
import { isNegative, money, size } from '../../format/money';
import { JournalTable } from './JournalTable';

/** The journal of a posting and the account before and after it: shown before anything is posted. */
export function EffectPanel({ effect }: { effect: EffectView }) {
  const scale = Math.max(
    1,
    ...[effect.before, effect.after].map((r) => Math.max(Number(r.exposure), Number(r.effectiveLimit))),
  );
  return (
    <div className="ties" data-testid="effect">
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
