import { useQuery } from '@tanstack/react-query';
import type { RunView } from '../../api/generated';
import { getRunResultsOptions } from '../../api/generated/@tanstack/react-query.gen';
import { day } from '../../format/dates';
import { withCurrency } from '../../format/money';
import { Loaded } from '../../shell/Loaded';
import { Grid } from '../../table/Grid';
import { LetterResults } from './LetterResults';

/** What came in after a run was posted. */
export function RunResults({ run }: { run: RunView }) {
  const query = useQuery(getRunResultsOptions({ path: { id: run.id } }));
  return (
    <div className="cash-list">
      <Loaded query={query} what="what the run brought" lines={5}>
        {({ on, letters, charges }) => (
          <div className="card">
            {run.kind === 'reminders' ? (
              <LetterResults rows={letters} />
            ) : (
              <Grid
                label="What came of the charges"
                rows={charges}
                keyOf={(r) => r.currency}
                empty="No charge of this run stands."
                columns={[
                  { title: 'Documents', figure: true, cell: (r) => r.documents },
                  { title: 'Raised', figure: true, cell: (r) => withCurrency(r.raised, r.currency) },
                  { title: 'Paid', figure: true, className: 'strong', cell: (r) => withCurrency(r.paid, r.currency) },
                  { title: 'Written off or set off', figure: true, cell: (r) => withCurrency(r.waived, r.currency) },
                  { title: 'Open', figure: true, cell: (r) => withCurrency(r.open, r.currency) },
                ]}
              />
            )}
            <p className="muted small pad">Payments by value date up to {day(on)}; what was reversed is left out.</p>
          </div>
        )}
      </Loaded>
    </div>
  );
}
