import { Button } from 'antd';
import { useState } from 'react';
import { endGroupUplift, endUplift, type LimitEventView } from '../../api/generated';
import { answer } from '../../api/problem';
import { day } from '../../format/dates';
import { isZero, money } from '../../format/money';
import { ReasonModal } from '../../shell/ReasonModal';
import { useMay } from '../users/useSession';
import { sourceNames } from './sources';

/** Every limit, uplift and state an account or group had. */
export function LimitHistory({ history, code, group }: { history: LimitEventView[]; code?: string; group?: string }) {
  const may = useMay();
  const [ending, setEnding] = useState<LimitEventView | null>(null);
  return (
    <>
      <table className="grid" aria-label="Limit history">
        <thead>
          <tr>
            <th>What</th>
            <th>From</th>
            <th>Until</th>
            <th className="figure">Amount</th>
            <th>Source and security</th>
            <th>Review by</th>
            <th>Reason</th>
            <th>By</th>
          </tr>
        </thead>
        <tbody>
          {history.map((e, i) => (
            <tr key={i}>
              <td>{e.kind === 'limit' ? 'Limit' : e.kind === 'uplift' ? 'Uplift' : `State: ${e.kind}`}</td>
              <td className="nowrap">{e.from ? day(e.from) : 'the beginning'}</td>
              <td className="nowrap">{day(e.until)}</td>
              <td className="figure">{e.kind === 'limit' || e.kind === 'uplift' ? money(e.amount) : ''}</td>
              <td className="small">
                {e.kind === 'limit' ? sourceNames[e.source] : ''}
                {isZero(e.insured) ? '' : `, ${money(e.insured)} insured`}
                {e.security ? `, ${e.security}` : ''}
                {isZero(e.securityAmount) ? '' : ` ${money(e.securityAmount)}`}
              </td>
              <td className="nowrap">{day(e.reviewOn)}</td>
              <td className="small">{e.reason}</td>
              <td className="small">
                {e.madeBy}
                {e.upliftId && may('controller') && (
                  <>
                    {' '}
                    <Button size="small" onClick={() => setEnding(e)}>
                      End it
                    </Button>
                  </>
                )}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
      {ending?.upliftId && (
        <ReasonModal
          title={`End the uplift of ${money(ending.amount)} today`}
          action="End the uplift"
          act={(reason) =>
            code !== undefined
              ? answer(endUplift({ path: { code, id: ending.upliftId! }, body: { reason } }))
              : answer(endGroupUplift({ path: { name: group ?? '', id: ending.upliftId! }, body: { reason } }))
          }
          onClose={() => setEnding(null)}
        />
      )}
    </>
  );
}
