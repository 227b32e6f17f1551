import { useQueryClient } from '@tanstack/react-query';
import { App, Button } from 'antd';
import { useState } from 'react';
import {
  approveLimitRequest,
  refuseLimitRequest,
  withdrawLimitRequest,
  type LimitRequestView,
} from '../../api/generated';
import { answer, asProblem } from '../../api/problem';
import { day } from '../../format/dates';
import { money } from '../../format/money';
import { ReasonModal } from '../../shell/ReasonModal';
import { useMay } from '../users/useSession';
import { requestStates } from './sources';

/** Limits that were asked for, and how each was answered; the open ones can be answered by somebody else. */
export function Requests({ requests, named }: { requests: LimitRequestView[]; named?: boolean }) {
  const may = useMay();
  const client = useQueryClient();
  const { message } = App.useApp();
  const [refusing, setRefusing] = useState<LimitRequestView | null>(null);
  const act = async (call: () => Promise<unknown>, done: string) => {
    try {
      await call();
      void message.success(done);
    } catch (e) {
      void message.error(asProblem(e).detail);
    }
    await client.invalidateQueries();
  };
  if (requests.length === 0) return null;
  return (
    <>
      <table className="grid" aria-label="Limits asked for">
        <tbody>
          {requests.map((r) => (
            <tr key={r.id}>
              <td>
                <span className="strong">
                  {named ? `${r.name}: ` : ''}
                  {r.kind === 'uplift'
                    ? `uplift of ${money(r.amount)} until ${day(r.until)}`
                    : `limit of ${money(r.amount)}`}
                </span>
                <div className="muted small">
                  {r.askedBy}, {day(r.askedOn)}: {r.reason}
                  {r.answer ? ` — ${r.answer}` : ''}
                </div>
              </td>
              <td className="small">
                {requestStates[r.state]}
                {r.answeredBy ? ` by ${r.answeredBy}` : r.state === 'asked' ? ` until ${day(r.expiresOn)}` : ''}
              </td>
              <td className="figure">
                {r.state === 'asked' && may('controller') && (
                  <>
                    {r.mine ? (
                      <Button
                        size="small"
                        onClick={() =>
                          void act(
                            () => answer(withdrawLimitRequest({ path: { id: r.id }, body: { reason: '' } })),
                            'It is withdrawn.',
                          )
                        }
                      >
                        Withdraw
                      </Button>
                    ) : (
                      <>
                        <Button
                          size="small"
                          type="primary"
                          onClick={() =>
                            void act(
                              () => answer(approveLimitRequest({ path: { id: r.id }, body: { reason: '' } })),
                              'It is approved.',
                            )
                          }
                        >
                          Approve
                        </Button>{' '}
                        <Button size="small" onClick={() => setRefusing(r)}>
                          Refuse
                        </Button>
                      </>
                    )}
                  </>
                )}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
      {refusing && (
        <ReasonModal
          title={`Refuse what ${refusing.askedBy} asks for`}
          action="Refuse"
          act={(reason) => answer(refuseLimitRequest({ path: { id: refusing.id }, body: { reason } }))}
          onClose={() => setRefusing(null)}
        />
      )}
    </>
  );
}
