import { Button } from 'antd';
import { useState } from 'react';
import type { AccountPage } from '../../api/generated';
import { day } from '../../format/dates';
import { money, moneyOrDash } from '../../format/money';
import { Undo } from './actions/Undo';

export function Reminders({ page }: { page: AccountPage }) {
  const [cancelling, setCancelling] = useState<string | null>(null);
  const latest = page.reminders.find((r) => !r.cancelled)?.number;
  if (page.reminders.length === 0)
    return <p className="muted pad">No reminder has gone out. Issue the next one with M.</p>;
  return (
    <>
      <table className="grid" aria-label="Reminders">
        <thead>
          <tr>
            <th>Reminder</th>
            <th>Level</th>
            <th>Date</th>
            <th>Pay by</th>
            <th className="figure">Fee</th>
            <th className="figure">Late charge shown</th>
            <th className="figure">Asked for</th>
            <th>
              <span className="hidden-text">Actions</span>
            </th>
          </tr>
        </thead>
        <tbody>
          {page.reminders.map((r) => (
            <tr key={r.number}>
              <td className="strong">{r.number}</td>
              <td>{r.level}</td>
              <td>{day(r.date)}</td>
              <td>{day(r.payBy)}</td>
              <td className="figure">
                {moneyOrDash(r.fee)}
                {r.fee !== '0.00' && <span className="muted small"> {r.feePosted ? 'posted' : 'shown'}</span>}
              </td>
              <td className="figure">{moneyOrDash(r.lateCharge)}</td>
              <td className="figure">{money(r.total)}</td>
              <td className="figure">
                <a href={`/api/reminders/${r.number}/letter.pdf`} target="_blank" rel="noreferrer">
                  Letter
                </a>{' '}
                {r.cancelled ? (
                  <span className="muted small">cancelled: {r.cancelled}</span>
                ) : (
                  r.number === latest && (
                    <Button size="small" onClick={() => setCancelling(r.number)}>
                      Cancel
                    </Button>
                  )
                )}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
      {cancelling && <Undo reminder={cancelling} onClose={() => setCancelling(null)} />}
    </>
  );
}
