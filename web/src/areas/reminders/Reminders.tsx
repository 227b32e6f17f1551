import { Button } from 'antd';
import { useState } from 'react';
import type { AccountPage } from '../../api/generated';
import { day } from '../../format/dates';
import { isZero, money, moneyOrDash } from '../../format/money';
import { useMay } from '../../shell/session';
import { Grid } from '../../table/Grid';
import { Undo } from '../ledger';
import { SendDocument } from '../outbox';

/** The reminders that went out, each with its letter; the latest can be cancelled. */
export function Reminders({ page }: { page: AccountPage }) {
  const [cancelling, setCancelling] = useState<string | null>(null);
  const [sending, setSending] = useState<string | null>(null);
  const may = useMay();
  const latest = page.reminders.find((r) => !r.cancelled)?.number;
  return (
    <>
      <Grid
        label="Reminders"
        rows={page.reminders}
        keyOf={(r) => r.number}
        empty="No reminder has gone out. Issue the next one with M."
        columns={[
          { title: 'Reminder', className: 'strong', cell: (r) => r.number },
          { title: 'Level', cell: (r) => r.level },
          { title: 'Date', cell: (r) => day(r.date) },
          { title: 'Pay by', cell: (r) => day(r.payBy) },
          {
            title: 'Fee',
            figure: true,
            cell: (r) => (
              <>
                {moneyOrDash(r.fee)}
                {!isZero(r.fee) && <span className="muted small"> {r.feePosted ? 'posted' : 'shown'}</span>}
              </>
            ),
          },
          { title: 'Late charge shown', figure: true, cell: (r) => moneyOrDash(r.lateCharge) },
          { title: 'Total', figure: true, cell: (r) => money(r.total) },
          {
            hidden: 'Actions',
            figure: true,
            cell: (r) => (
              <>
                <a href={`/api/reminders/${r.number}/letter.pdf`} target="_blank" rel="noreferrer">
                  Letter
                </a>{' '}
                {!r.cancelled && may('controller') && (
                  <Button size="small" type="text" aria-label={`Send ${r.number}`} onClick={() => setSending(r.number)}>
                    Send
                  </Button>
                )}
                {r.cancelled ? (
                  <span className="muted small">cancelled: {r.cancelled}</span>
                ) : (
                  r.number === latest &&
                  may('controller') && (
                    <Button size="small" onClick={() => setCancelling(r.number)}>
                      Cancel
                    </Button>
                  )
                )}
              </>
            ),
          },
        ]}
      />
      {cancelling && <Undo code={page.account.code} reminder={cancelling} onClose={() => setCancelling(null)} />}
      {sending && (
        <SendDocument
          what={{ reminder: sending }}
          title={sending}
          account={page.account.code}
          onClose={() => setSending(null)}
        />
      )}
    </>
  );
}
