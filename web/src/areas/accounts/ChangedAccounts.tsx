import type { ChangeManyView } from '../../api/generated';
import { Grid } from '../../table/Grid';

/** As many as a person looks through; the count says how many there are. */
const most = 500;

/** What a change of many accounts does to each. */
export const ChangedAccounts = ({ change }: { change: ChangeManyView }) => (
  <>
    <p style={{ margin: '0 0 6px' }}>
      <b>{change.changed.length}</b> accounts change
      {change.unchanged > 0 ? `, ${change.unchanged} have it already` : ''}.
    </p>
    <div className="card scrolled" role="region" aria-label="Accounts that change" tabIndex={0}>
      <Grid
        label="What changes"
        bare
        rows={change.changed.slice(0, most)}
        keyOf={(line) => line.code}
        columns={[
          { className: 'strong nowrap', cell: (line) => line.code },
          { cell: (line) => line.name },
          { className: 'muted', cell: (line) => line.before || 'none' },
          { cell: (line) => `→ ${line.after || 'none'}` },
        ]}
      />
    </div>
  </>
);
