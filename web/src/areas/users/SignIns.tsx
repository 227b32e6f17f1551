import { useQuery } from '@tanstack/react-query';
import { listSignInsOptions } from '../../api/generated/@tanstack/react-query.gen';
import type { AuditEntry } from '../../api/generated';
import { moment } from '../../format/dates';
import { Loaded } from '../../shell/Loaded';
import { Grid } from '../../table/Grid';

const of = (row: AuditEntry, what: string) => row.changes.find((change) => change.what === what)?.after ?? '';

/** Who signed in and out, and which tries were refused, when and from where. */
export function SignIns() {
  const signIns = useQuery(listSignInsOptions());
  return (
    <section className="card pad" aria-label="Sign-ins">
      <h2>Sign-ins</h2>
      <Loaded query={signIns} what="the sign-ins" lines={3}>
        {(rows) => (
          <Grid
            label="Sign-ins"
            rows={rows}
            keyOf={(row) => row.id}
            empty="Nobody has signed in yet."
            columns={[
              { title: 'When', className: 'nowrap', cell: (row) => moment(row.at) },
              { title: 'Signs in as', cell: (row) => of(row, 'user') || row.who },
              { title: 'What', cell: (row) => (row.action === 'refused' ? 'refused: not the password' : row.action) },
              { title: 'From', cell: (row) => of(row, 'from') },
            ]}
          />
        )}
      </Loaded>
    </section>
  );
}
