import { Button } from 'antd';
import { useState } from 'react';
import { ofAccount } from '../../api/changes';
import { withdrawPromise, type AccountPage, type DisputeView, type PromiseView } from '../../api/generated';
import { answer } from '../../api/problem';
import { ReasonDialog } from '../../form/ReasonDialog';
import { day } from '../../format/dates';
import { money, moneyOrDash } from '../../format/money';
import { lazyDialog } from '../../shell/lazily';
import { useMay } from '../../shell/session';
import { Grid } from '../../table/Grid';
import { promiseStates, wasBroken } from '../../words/promises';

const NotePromise = lazyDialog(() => import('./NotePromise').then((m) => m.NotePromise));
const SettleDispute = lazyDialog(() => import('./SettleDispute').then((m) => m.SettleDispute));
const NoteDispute = lazyDialog(() => import('./NoteDispute').then((m) => m.NoteDispute));

/** What the customer promised, and what it disputes. */
export function Claims({ page, today }: { page: AccountPage; today: string }) {
  const code = page.account.code;
  const may = useMay();
  const change = may('controller');
  const [adding, setAdding] = useState<'promise' | 'dispute' | null>(null);
  const [settling, setSettling] = useState<DisputeView | null>(null);
  const [withdrawing, setWithdrawing] = useState<PromiseView | null>(null);
  return (
    <div className="tab-part" style={{ display: 'grid', gap: 14 }}>
      <section aria-label="Promises">
        <div className="row-between">
          <h3>Promises</h3>
          {change && (
            <Button size="small" onClick={() => setAdding('promise')}>
              Note a promise
            </Button>
          )}
        </div>
        <Grid
          label="Promises"
          rows={page.promises}
          keyOf={(p) => p.id}
          empty="Nothing was promised yet."
          columns={[
            { title: 'Given', className: 'nowrap', cell: (p) => day(p.madeOn) },
            { title: 'Pays by', className: 'nowrap', cell: (p) => day(p.dueOn) },
            { title: 'Promised', figure: true, cell: (p) => money(p.amount) },
            { title: 'Received', figure: true, cell: (p) => moneyOrDash(p.received) },
            {
              title: 'State',
              cell: (p) => <span className={wasBroken(p.state) ? 'alarm' : ''}>{promiseStates[p.state]}</span>,
            },
            {
              title: 'Who and what',
              className: 'small',
              cell: (p) => [p.contact, p.note].filter(Boolean).join(': '),
            },
            change && {
              hidden: 'Actions',
              figure: true,
              cell: (p) =>
                p.state !== 'withdrawn' &&
                p.state !== 'replaced' && (
                  <Button size="small" onClick={() => setWithdrawing(p)}>
                    Withdraw
                  </Button>
                ),
            },
          ]}
        />
      </section>
      <section aria-label="Disputes">
        <div className="row-between">
          <h3>Disputes</h3>
          {change && (
            <Button size="small" onClick={() => setAdding('dispute')}>
              Note a dispute
            </Button>
          )}
        </div>
        <Grid
          label="Disputes"
          rows={page.disputes}
          keyOf={(d) => d.id}
          empty="Nothing is disputed."
          columns={[
            { title: 'Document', className: 'strong', cell: (d) => d.document },
            { title: 'Disputed', figure: true, cell: (d) => money(d.amount) },
            { title: 'Since', className: 'nowrap', cell: (d) => day(d.from) },
            { title: 'Reason', className: 'small', cell: (d) => d.reason },
            { title: 'Owner', className: 'small', cell: (d) => d.owner },
            {
              title: 'Outcome',
              className: 'small',
              cell: (d) =>
                d.settledOn ? (
                  `${day(d.settledOn)}: ${d.outcome}${d.againstCustomer ? ', owed by the customer' : ''}`
                ) : change ? (
                  <Button size="small" onClick={() => setSettling(d)}>
                    Settle
                  </Button>
                ) : (
                  'open'
                ),
            },
          ]}
        />
      </section>
      {adding === 'promise' && <NotePromise page={page} today={today} onClose={() => setAdding(null)} />}
      {adding === 'dispute' && <NoteDispute page={page} onClose={() => setAdding(null)} />}
      {settling && <SettleDispute code={code} dispute={settling} onClose={() => setSettling(null)} />}
      {withdrawing && (
        <ReasonDialog
          title={`Withdraw the promise of ${money(withdrawing.amount)}`}
          action="Withdraw"
          change={ofAccount(code)}
          act={(reason) => answer(withdrawPromise({ path: { code, id: withdrawing.id }, body: { reason } }))}
          onClose={() => setWithdrawing(null)}
        />
      )}
    </div>
  );
}
