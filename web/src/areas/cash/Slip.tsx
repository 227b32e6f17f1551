import { useQuery } from '@tanstack/react-query';
import { Button } from 'antd';
import { useState } from 'react';
import { ofAccounts } from '../../api/changes';
import { changeSlip, type HandReceiptView, type SlipInHandView, type SlipView } from '../../api/generated';
import { getSlipOptions, listToBankOptions } from '../../api/generated/@tanstack/react-query.gen';
import { answer } from '../../api/problem';
import { Dialog } from '../../form/Dialog';
import { ReasonDialog } from '../../form/ReasonDialog';
import { day } from '../../format/dates';
import { isZero, money } from '../../format/money';
import { Loaded } from '../../shell/Loaded';
import { useMay } from '../../shell/session';
import { Grid, type Column } from '../../table/Grid';
import { ReplaceOnSlip } from './ReplaceOnSlip';

type Change = { off?: HandReceiptView; onto?: HandReceiptView };

/** One slip with its receipts: until the bank has credited it, a receipt comes off it, onto it, or is replaced. */
export function Slip({ slip, onClose }: { slip: SlipView; onClose: () => void }) {
  const query = useQuery(getSlipOptions({ path: { id: slip.id } }));
  const [change, setChange] = useState<Change | null>(null);
  const [wrong, setWrong] = useState<HandReceiptView | null>(null);
  return (
    <Dialog title={`Paying-in slip ${slip.number}`} width={860} onClose={onClose}>
      <Loaded query={query} what="the slip" lines={4}>
        {(now) => <Standing now={now} onChange={setChange} onReplace={setWrong} />}
      </Loaded>
      {change && <ChangeSlip slip={slip} change={change} onClose={() => setChange(null)} />}
      {wrong && <ReplaceOnSlip slip={slip} wrong={wrong} onClose={() => setWrong(null)} />}
    </Dialog>
  );
}

function Standing({
  now: { slip, receipts },
  onChange,
  onReplace,
}: {
  now: SlipInHandView;
  onChange: (change: Change) => void;
  onReplace: (wrong: HandReceiptView) => void;
}) {
  const mayCorrect = useMay()('controller') && !slip.credited;
  return (
    <>
      <p className="muted" style={{ marginTop: 0 }}>
        {slip.receipts} by {slip.method}, banked on {day(slip.bankedOn)} to {slip.account} by {slip.madeBy}.{' '}
        <a href={`/api/banking/slips/${slip.id}/pdf`} target="_blank" rel="noreferrer">
          Print
        </a>
      </p>
      <div className="card scrolled">
        <Grid
          label="Receipts on the slip"
          rows={receipts}
          keyOf={(r) => r.posting}
          empty="Nothing stands on it any more; the slip is void."
          columns={[
            ...columns,
            {
              hidden: 'Correct',
              className: 'nowrap',
              cell: (r) =>
                mayCorrect && (
                  <>
                    <Button size="small" type="text" onClick={() => onChange({ off: r })}>
                      Take off
                    </Button>
                    {!r.reversed && (
                      <Button size="small" type="text" onClick={() => onReplace(r)}>
                        Replace
                      </Button>
                    )}
                  </>
                ),
            },
          ]}
        />
      </div>
      <p>
        Total <b className="figure">{money(slip.total)}</b>
        {!isZero(slip.reversed) && (
          <>
            , less reversed <b className="figure">{money(slip.reversed)}</b>
          </>
        )}
        {slip.credited ? (
          <>
            , credited <b className="figure">{money(slip.credited)}</b>, difference{' '}
            <b className="figure">{money(slip.difference)}</b>
          </>
        ) : (
          !slip.isVoid && '; the bank has not credited it yet'
        )}{' '}
        <span className="muted">{slip.currency}</span>
      </p>
      {mayCorrect && <PutOn slip={slip} onChange={onChange} />}
    </>
  );
}

const columns: Column<HandReceiptView>[] = [
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
];

/** Receipts that wait to be banked and may come onto the slip: by its method, in its currency. */
function PutOn({ slip, onChange }: { slip: SlipView; onChange: (change: Change) => void }) {
  const query = useQuery(listToBankOptions({ query: { pageSize: 300 } }));
  const fitting = (query.data?.items ?? []).filter((r) => r.method === slip.method && r.currency === slip.currency);
  if (fitting.length === 0) return null;
  return (
    <>
      <h3>Waiting to be banked by {slip.method}</h3>
      <div className="card scrolled">
        <Grid
          label="May come onto the slip"
          rows={fitting}
          keyOf={(r) => r.posting}
          columns={[
            ...columns,
            {
              hidden: 'Correct',
              className: 'nowrap',
              cell: (r) => (
                <Button size="small" type="text" onClick={() => onChange({ onto: r })}>
                  Put on
                </Button>
              ),
            },
          ]}
        />
      </div>
    </>
  );
}

function ChangeSlip({ slip, change, onClose }: { slip: SlipView; change: Change; onClose: () => void }) {
  const { off, onto } = change;
  const receipt = off ?? onto;
  const [once] = useState(() => ({ 'Idempotency-Key': crypto.randomUUID() }));
  if (!receipt) return null;
  return (
    <ReasonDialog
      title={off ? `Take ${receipt.number} off ${slip.number}` : `Put ${receipt.number} on ${slip.number}`}
      action={off ? 'Take it off' : 'Put it on'}
      extra={
        off
          ? `${money(receipt.amount)} wait to be banked again; the receipt itself stays posted.`
          : `The bank is to credit ${money(receipt.amount)} more.`
      }
      change={ofAccounts}
      act={(reason) =>
        answer(
          changeSlip({
            path: { id: slip.id },
            headers: once,
            body: { off: off ? [off.posting] : [], onto: onto ? [onto.posting] : [], reason },
          }),
        )
      }
      onClose={onClose}
    />
  );
}
