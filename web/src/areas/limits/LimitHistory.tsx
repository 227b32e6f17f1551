import { Button } from 'antd';
import { useState } from 'react';
import { ofAccount, ofAccounts } from '../../api/changes';
import type { LimitEventView } from '../../api/generated';
import { ReasonDialog } from '../../form/ReasonDialog';
import { day } from '../../format/dates';
import { isZero, money } from '../../format/money';
import { useMay } from '../../shell/session';
import { Grid } from '../../table/Grid';
import { limitEvents, sourceNames } from '../../words/limits';
import { endUpliftOf, type Key } from './holder';

const isAmount = (e: LimitEventView) => e.kind === 'limit' || e.kind === 'uplift';

/** On what a limit rests, in one line. */
const basis = (e: LimitEventView) =>
  [
    e.kind === 'limit' && sourceNames[e.source],
    !isZero(e.insured) && `${money(e.insured)} insured`,
    e.security && [e.security, isZero(e.securityAmount) ? '' : money(e.securityAmount)].filter(Boolean).join(' '),
  ]
    .filter(Boolean)
    .join(', ');

/** Every limit, uplift and state an account or group had. */
export function LimitHistory({ history, of }: { history: LimitEventView[]; of: Key }) {
  const may = useMay();
  const [ending, setEnding] = useState<LimitEventView | null>(null);
  return (
    <>
      <Grid
        label="Limit history"
        rows={history}
        keyOf={(_, i) => i}
        empty="No limit was set yet."
        columns={[
          { title: 'What', cell: (e) => limitEvents[e.kind] },
          { title: 'From', className: 'nowrap', cell: (e) => (e.from ? day(e.from) : 'the beginning') },
          { title: 'Until', className: 'nowrap', cell: (e) => day(e.until) },
          { title: 'Amount', figure: true, cell: (e) => (isAmount(e) ? money(e.amount) : '') },
          { title: 'Source and security', className: 'small', cell: basis },
          { title: 'Review by', className: 'nowrap', cell: (e) => day(e.reviewOn) },
          { title: 'Reason', className: 'small', cell: (e) => e.reason },
          {
            title: 'By',
            className: 'small',
            cell: (e) => (
              <>
                {e.madeBy}{' '}
                {e.upliftId && may('controller') && (
                  <Button size="small" onClick={() => setEnding(e)}>
                    End it
                  </Button>
                )}
              </>
            ),
          },
        ]}
      />
      {ending?.upliftId && (
        <ReasonDialog
          title={`End the uplift of ${money(ending.amount)} today`}
          action="End the uplift"
          change={of.code === undefined ? ofAccounts : ofAccount(of.code)}
          act={(reason) => endUpliftOf(of, ending.upliftId!, reason)}
          onClose={() => setEnding(null)}
        />
      )}
    </>
  );
}
