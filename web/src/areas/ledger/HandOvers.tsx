import { useQuery } from '@tanstack/react-query';
import { Button } from 'antd';
import { useState } from 'react';
import { ofJournal } from '../../api/changes';
import { handOver } from '../../api/generated';
import { listHandOversOptions } from '../../api/generated/@tanstack/react-query.gen';
import { answer } from '../../api/problem';
import { useAct } from '../../form/useAct';
import { moment } from '../../format/dates';
import { useKeys } from '../../shell/keys';
import { Loaded } from '../../shell/Loaded';
import { useMay } from '../../shell/session';
import { Grid } from '../../table/Grid';

/** What went to the general ledger. Each hand-over takes up where the one before ended, so nothing goes twice. */
export function HandOvers() {
  const may = useMay();
  const query = useQuery(listHandOversOptions());
  const act = useAct(ofJournal);
  const [busy, setBusy] = useState(false);
  const waiting = query.data?.waiting ?? 0;
  const take = async () => {
    if (waiting === 0 || busy) return;
    setBusy(true);
    // A second answer to the same press would find nothing left and say so.
    const once = { 'Idempotency-Key': crypto.randomUUID() };
    await act(() => answer(handOver({ headers: once })), 'Handed over. Its file can be downloaded now.');
    setBusy(false);
  };
  useKeys({ h: () => may('controller') && void take() });
  return (
    <section className="card" aria-label="Hand-over to the general ledger">
      <div className="pad">
        <h2 className="in-hand-name">Hand-over to the general ledger</h2>
        <p className="small muted" data-testid="waiting">
          {waiting === 0
            ? 'Everything that is posted was handed over.'
            : `${waiting.toLocaleString('en-GB')} ${waiting === 1 ? 'entry waits' : 'entries wait'} to be handed over.`}
        </p>
        {may('controller') && (
          <Button type="primary" disabled={waiting === 0} loading={busy} onClick={() => void take()}>
            Hand over <kbd>H</kbd>
          </Button>
        )}
      </div>
      <Loaded query={query} what="the hand-overs" lines={4}>
        {({ items }) => (
          <Grid
            label="Hand-overs"
            rows={items}
            keyOf={(h) => h.id}
            empty="Nothing was handed over yet. The file of each hand-over stays here and can be downloaded again."
            columns={[
              { title: 'No.', figure: true, cell: (h) => h.id },
              { title: 'When', className: 'nowrap', cell: (h) => moment(h.madeAt) },
              { title: 'Entries', figure: true, cell: (h) => `${h.firstEntry}–${h.lastEntry}` },
              {
                title: 'File',
                className: 'nowrap',
                cell: (h) => (
                  <>
                    <a href={`/api/journal/hand-overs/${h.id}/file?format=csv`} aria-label={`Hand-over ${h.id} as CSV`}>
                      CSV
                    </a>{' '}
                    <a
                      href={`/api/journal/hand-overs/${h.id}/file?format=xlsx`}
                      aria-label={`Hand-over ${h.id} as XLSX`}
                    >
                      XLSX
                    </a>
                  </>
                ),
              },
            ]}
          />
        )}
      </Loaded>
    </section>
  );
}
