import type { ExchangeRow } from '../api/generated';
import { outcomes } from '../words/exchange';
import { Grid } from './Grid';

/** As many changes of one row as are looked at. */
const mostChanges = 8;

/** What each row of a file does: its changes, or what is wrong with it. */
export const ImportedRows = ({ rows }: { rows: ExchangeRow[] }) => (
  <div className="card scrolled" role="region" aria-label="Rows of the file" tabIndex={0}>
    <Grid
      label="What the file does"
      rows={rows}
      keyOf={(row) => row.row}
      rowClass={() => 'top'}
      columns={[
        { title: 'Row', figure: true, cell: (row) => row.row },
        {
          title: 'Code',
          className: 'nowrap',
          cell: (row) => (
            <>
              <span className="strong">{row.code}</span>{' '}
              {row.name !== row.code && <div className="small">{row.name}</div>}
            </>
          ),
        },
        {
          title: 'Is',
          cell: (row) => <span className={row.outcome === 'refused' ? 'alarm' : ''}>{outcomes[row.outcome]}</span>,
        },
        {
          title: 'What',
          className: 'small',
          cell: (row) => (
            <>
              {row.problems.map((p) => (
                <div key={p.field + p.message}>
                  {p.field && <b>{p.field}: </b>}
                  {p.message}
                </div>
              ))}
              {row.changes.slice(0, mostChanges).map((c) => (
                <div key={c.what}>
                  {c.what}: {c.before && <s className="muted">{c.before}</s>} {c.after ?? 'none'}
                </div>
              ))}
            </>
          ),
        },
      ]}
    />
  </div>
);
