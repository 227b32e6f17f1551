import { useQuery } from '@tanstack/react-query';
import { Button } from 'antd';
import { useState } from 'react';
import { getLedgerOptions } from '../../api/generated/@tanstack/react-query.gen';
import { day } from '../../format/dates';
import { money } from '../../format/money';
import { Parts } from './Parts';
import { Loaded } from '../../shell/Loaded';
import { useMay } from '../../shell/session';
import { Grid } from '../../table/Grid';
import { kindNames } from '../../words/ledger';
import { usePostingActions } from './usePostingActions';

const first = 100;

/** Everything posted to an account, latest first, with the balance after each. */
export function Ledger({ code, onOpening }: { code: string; onOpening: () => void }) {
  const query = useQuery(getLedgerOptions({ path: { code } }));
  const may = useMay();
  const { cell, dialogs } = usePostingActions();
  const [all, setAll] = useState(false);
  return (
    <>
      <Loaded query={query} what="the ledger">
        {(rows) => (
          <>
            <Grid
              label="Ledger"
              rows={all ? rows : rows.slice(0, first)}
              keyOf={(row) => `${row.entryId} ${row.number}`}
              empty="Nothing was posted to this account yet."
              columns={[
                { title: 'Posted', className: 'nowrap', cell: (row) => day(row.postingDate) },
                { title: 'Document', className: 'strong nowrap', cell: (row) => row.number },
                {
                  title: 'What',
                  className: 'nowrap',
                  cell: (row) => (
                    <>
                      {kindNames[row.kind]}
                      {row.reversed && <span className="muted small"> · reversed</span>}
                    </>
                  ),
                },
                { title: 'Text', className: 'muted small', cell: (row) => row.text },
                {
                  title: 'Change',
                  figure: true,
                  cell: (row) => (
                    <>
                      {money(row.change)}
                      <Parts row={row} />
                    </>
                  ),
                },
                { title: 'Balance', figure: true, cell: (row) => money(row.balance) },
                { hidden: 'Actions', figure: true, className: 'nowrap', cell },
              ]}
            />
            {!all && rows.length > first && (
              <div className="pad">
                <button type="button" className="linkish" onClick={() => setAll(true)}>
                  Show all {rows.length}
                </button>
              </div>
            )}
          </>
        )}
      </Loaded>
      {may('controller') && (
        <div className="pad">
          <Button size="small" onClick={onOpening}>
            Add an open document
          </Button>
        </div>
      )}
      {dialogs}
    </>
  );
}
