import type { AuditEntry } from '../api/generated';
import { moment } from '../format/dates';
import { Grid } from './Grid';

/** What was changed, from what to what, by whom, when and why. */
export const ChangesTable = ({ rows }: { rows: AuditEntry[] }) => (
  <Grid
    label="Changes"
    rows={rows}
    keyOf={(row) => row.id}
    empty="Nothing was changed yet."
    rowClass={() => 'top'}
    columns={[
      {
        title: 'When, who',
        className: 'nowrap small',
        cell: (row) => (
          <>
            {moment(row.at)}
            <div className="muted">{row.who}</div>
          </>
        ),
      },
      {
        title: 'What',
        className: 'small',
        cell: (row) => (
          <>
            <span className="strong">{row.action}</span>
            {row.changes.map((change) => (
              <div key={change.what} className="change">
                {change.what}: {change.before && <s className="muted">{change.before}</s>} {change.after ?? 'none'}
              </div>
            ))}
          </>
        ),
      },
      { title: 'Why', className: 'small', cell: (row) => row.reason },
    ]}
  />
);
