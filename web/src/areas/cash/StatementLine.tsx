import type { StatementLineView } from '../../api/generated';
import { isNegative, money } from '../../format/money';
import { toldOf } from './lines';
import { Sure } from './Sure';

/** A line of a statement: who, how much, and how sure what is proposed is, or what became of it. */
export function StatementLine({ line, on, onChoose }: { line: StatementLineView; on: boolean; onChoose: () => void }) {
  const waits = line.state === 'waiting';
  const out = isNegative(line.amount);
  return (
    <div role="listitem" className={`entry statement-line ${line.state}${on ? ' on' : ''}`} onClick={onChoose}>
      {waits ? <Sure confidence={line.confidence} /> : <span className="sure-mark none" />}
      <div>
        <div className="row-between" style={{ flexWrap: 'nowrap' }}>
          <button
            type="button"
            className={`linkish strong ellipsis${line.returns && waits ? ' alarm' : ''}`}
            aria-current={on ? 'true' : undefined}
            onClick={onChoose}
          >
            {line.accountName ?? (line.payer || line.reference)}
          </button>
          <span className={`figure strong${out ? ' muted' : ''}`}>{money(line.amount)}</span>
        </div>
        <div className="small muted ellipsis">{toldOf(line)}</div>
      </div>
    </div>
  );
}
