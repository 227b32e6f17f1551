import { Button } from 'antd';
import { useState } from 'react';
import { ofAccounts } from '../../api/changes';
import {
  approveLimitRequest,
  refuseLimitRequest,
  withdrawLimitRequest,
  type LimitRequestView,
} from '../../api/generated';
import { answer } from '../../api/problem';
import { useAct } from '../../form/useAct';
import { ReasonDialog } from '../../form/ReasonDialog';
import { day } from '../../format/dates';
import { money } from '../../format/money';
import { useMay } from '../../shell/session';
import { Grid } from '../../table/Grid';
import { requestStates } from '../../words/limits';

const asked = (r: LimitRequestView) => {
  switch (r.kind) {
    case 'uplift':
      return `uplift of ${money(r.amount)} until ${day(r.until)}`;
    case 'limit':
      return `limit of ${money(r.amount)}`;
  }
};

/** Limits that were asked for, and how each was answered; the open ones can be answered by somebody else. */
export function Requests({ requests }: { requests: LimitRequestView[] }) {
  const may = useMay();
  const act = useAct(ofAccounts);
  const [refusing, setRefusing] = useState<LimitRequestView | null>(null);
  const given = (id: number) => ({ path: { id }, body: { reason: '' } });
  if (requests.length === 0) return null;
  return (
    <>
      <Grid
        label="Limits asked for"
        bare
        rows={requests}
        keyOf={(r) => r.id}
        columns={[
          {
            cell: (r) => (
              <>
                <span className="strong">{asked(r)}</span>
                <div className="muted small">
                  {r.askedBy}, {day(r.askedOn)}: {r.reason}
                  {r.answer ? ` — ${r.answer}` : ''}
                </div>
              </>
            ),
          },
          {
            className: 'small',
            cell: (r) => (
              <>
                {requestStates[r.state]}
                {r.answeredBy ? ` by ${r.answeredBy}` : r.state === 'asked' ? ` until ${day(r.expiresOn)}` : ''}
              </>
            ),
          },
          {
            figure: true,
            cell: (r) =>
              r.state === 'asked' &&
              may('controller') &&
              (r.mine ? (
                <Button
                  size="small"
                  onClick={() => void act(() => answer(withdrawLimitRequest(given(r.id))), 'It is withdrawn.')}
                >
                  Withdraw
                </Button>
              ) : (
                <>
                  <Button
                    size="small"
                    type="primary"
                    onClick={() => void act(() => answer(approveLimitRequest(given(r.id))), 'It is approved.')}
                  >
                    Approve
                  </Button>{' '}
                  <Button size="small" onClick={() => setRefusing(r)}>
                    Refuse
                  </Button>
                </>
              )),
          },
        ]}
      />
      {refusing && (
        <ReasonDialog
          title={`Refuse what ${refusing.askedBy} asks for`}
          action="Refuse"
          change={ofAccounts}
          act={(reason) => answer(refuseLimitRequest({ path: { id: refusing.id }, body: { reason } }))}
          onClose={() => setRefusing(null)}
        />
      )}
    </>
  );
}
