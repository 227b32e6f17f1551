import { useQuery } from '@tanstack/react-query';
import { Modal } from 'antd';
import { getJournal, type EffectView, type JournalLineView, type LedgerRowView } from '../../../api/generated';
import { answer } from '../../../api/problem';
import { LimitBar } from '../../../drawings/LimitBar';
import { isNegative, money, size } from '../../../format/money';
import { purposeNames } from '../kinds';

export function JournalTable({ lines }: { lines: JournalLineView[] }) {
  if (lines.length === 0) return <p className="muted small">Nothing is posted to the journal.</p>;
  return (
    <table className="grid" aria-label="Journal">
      <thead>
        <tr>
          <th colSpan={2}>Account</th>
          <th className="figure">Debit</th>
          <th className="figure">Credit</th>
        </tr>
      </thead>
      <tbody>
        {lines.map((line, i) => (
          <tr key={i}>
            <td className="figure" style={{ width: 44 }}>
              {line.account}
            </td>
            <td>{purposeNames[line.purpose] ?? line.purpose}</td>
            <td className="figure">{money(line.debit)}</td>
            <td className="figure">{money(line.credit)}</td>
          </tr>
        ))}
      </tbody>
    </table>
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

export function ShowJournal({ row, onClose }: { row: LedgerRowView; onClose: () => void }) {
  const openingDocument = row.openingDocument ?? undefined;
  const { data } = useQuery({
    queryKey: ['journal', row.entryId, openingDocument],
    queryFn: () => answer(getJournal({ path: { entry: row.entryId }, query: { openingDocument } })),
  });
  return (
    <Modal open title={`Journal of ${row.number || row.text}`} onCancel={onClose} footer={null} width={520}>
      {data && <JournalTable lines={data} />}
      <p className="muted small">Posted by {row.postedBy}.</p>
    </Modal>
  );
}
