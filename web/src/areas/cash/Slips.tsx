import { useQuery } from '@tanstack/react-query';
import { Button } from 'antd';
import { useState } from 'react';
import type { SlipView } from '../../api/generated';
import { getSlipOptions, listSlipsOptions } from '../../api/generated/@tanstack/react-query.gen';
import { Dialog } from '../../form/Dialog';
import { day } from '../../format/dates';
import { isZero, money } from '../../format/money';
import { Loaded } from '../../shell/Loaded';
import { Grid } from '../../table/Grid';

/** Slips that money was banked with, and what the bank credited. */
export function Slips() {
  const query = useQuery(listSlipsOptions());
  const [open, setOpen] = useState<SlipView | null>(null);
  return (
    <section className="card" aria-label="Slips">
      <div className="pad">
        <h2 className="in-hand-name">Slips</h2>
      </div>
      <Loaded query={query} what="the slips" lines={6}>
        {({ items }) => (
          <Grid
            label="Slips"
            rows={items}
            keyOf={(s) => s.id}
            empty="No slip was written yet. The line of the bank statement that credits it settles it."
            columns={[
              {
                title: 'Slip',
                className: 'nowrap',
                cell: (s) => (
                  <Button size="small" type="text" onClick={() => setOpen(s)}>
                    {s.number}
                  </Button>
                ),
              },
              { title: 'Banked', className: 'nowrap', cell: (s) => day(s.bankedOn) },
              { title: 'Expected', figure: true, cell: (s) => money(s.expected) },
              { title: 'Credited', figure: true, cell: (s) => (s.credited ? money(s.credited) : 'waits') },
            ]}
          />
        )}
      </Loaded>
      {open && <Slip slip={open} onClose={() => setOpen(null)} />}
    </section>
  );
}

function Slip({ slip, onClose }: { slip: SlipView; onClose: () => void }) {
  const query = useQuery(getSlipOptions({ path: { id: slip.id } }));
  return (
    <Dialog title={`Slip ${slip.number}`} width={720} onClose={onClose}>
      <p className="muted" style={{ marginTop: 0 }}>
        {slip.receipts} by {slip.method}, banked on {day(slip.bankedOn)} to {slip.account} by {slip.madeBy}.{' '}
        <a href={`/api/banking/slips/${slip.id}/pdf`} target="_blank" rel="noreferrer">
          Print
        </a>
      </p>
      <Loaded query={query} what="the slip" lines={4}>
        {({ receipts, slip: now }) => (
          <>
            <div className="card scrolled">
              <Grid
                label="Receipts on the slip"
                rows={receipts}
                keyOf={(r) => r.posting}
                columns={[
                  {
                    title: 'Receipt',
                    className: 'strong nowrap',
                    cell: (r) => (
                      <>
                        {r.number}
                        {r.reversed && <span className="muted small"> reversed</span>}
                      </>
                    ),
                  },
                  { title: 'Customer', cell: (r) => r.accountName },
                  { title: 'Reference', className: 'muted small', cell: (r) => r.reference },
                  { title: 'Amount', figure: true, cell: (r) => money(r.amount) },
                ]}
              />
            </div>
            <p>
              Total <b className="figure">{money(now.total)}</b>
              {!isZero(now.reversed) && (
                <>
                  , less reversed <b className="figure">{money(now.reversed)}</b>
                </>
              )}
              {now.credited ? (
                <>
                  , credited <b className="figure">{money(now.credited)}</b>, difference{' '}
                  <b className="figure">{money(now.difference)}</b>
                </>
              ) : (
                '; the bank has not credited it yet'
              )}{' '}
              <span className="muted">{now.currency}</span>
            </p>
          </>
        )}
      </Loaded>
    </Dialog>
  );
}
