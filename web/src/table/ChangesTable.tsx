import type { AuditEntry } from '../api/generated';

/** What was changed, from what to what, by whom, when and why. */
export function ChangesTable({ rows }: { rows: AuditEntry[] }) {
  if (rows.length === 0) return <p className="muted small pad">Nothing was changed yet.</p>;
  return (
    <table className="grid" aria-label="Changes">
      <thead>
        <tr>
          <th>When, who</th>
          <th>What</th>
          <th>Why</th>
        </tr>
      </thead>
      <tbody>
        {rows.map((row) => (
          <tr key={row.id} className="top">
            <td className="nowrap small">
              {row.at.slice(0, 16).replace('T', ' ')}
              <div className="muted">{row.who}</div>
            </td>
            <td className="small">
              <span className="strong">{row.action}</span>
              {row.changes.map((change) => (
                <div key={change.what} className="change">
                  {change.what}: {change.before && <s className="muted">{change.before}</s>} {change.after ?? 'none'}
                </div>
              ))}
            </td>
            <td className="small">{row.reason}</td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}
