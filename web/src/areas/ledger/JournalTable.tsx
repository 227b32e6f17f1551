import type { JournalLineView } from '../../api/generated';
import { money } from '../../format/money';
import { purposeNames } from '../../words/ledger';

/** The lines of a journal entry, debits and credits apart. */
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
            <td>{purposeNames[line.purpose]}</td>
            <td className="figure">{money(line.debit)}</td>
            <td className="figure">{money(line.credit)}</td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}
