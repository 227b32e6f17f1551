import { useQuery } from '@tanstack/react-query';
import { Alert, Button, Tabs } from 'antd';
import { useEffect, useState } from 'react';
import { Link, useNavigate, useParams, useSearchParams } from 'react-router-dom';
import { getAccountChanges, getExposure, getItemCharge } from '../../api/generated';
import { answer, asProblem } from '../../api/problem';
import { useAccount, useCompany } from '../../api/queries';
import { LimitBar } from '../../drawings/LimitBar';
import { day } from '../../format/dates';
import { grouped, isNegative, isZero, money, size, withCurrency } from '../../format/money';
import { ChangesTable } from '../../shell/ChangesTable';
import { useKeys } from '../../shell/keys';
import { useMay } from '../users/useSession';
import { useWorkings } from '../../workings/Workings';
import { AccountList } from './AccountList';
import { AccountOrders } from './AccountOrders';
import { Claims } from './Claims';
import { Limits } from './Limits';
import { Attachments } from './Attachments';
import { ContactLog } from './ContactLog';
import { CustomerRecord } from './CustomerRecord';
import { ChangeLimit } from './actions/ChangeLimit';
import { ChangeSettings } from './actions/ChangeSettings';
import { ChangeState } from './actions/ChangeState';
import { IssueReminder } from './actions/IssueReminder';
import { OpeningItem } from './actions/OpeningItem';
import { RaiseCharge } from './actions/RaiseCharge';
import { TakePayment } from './actions/TakePayment';
import { ItemsTable } from './ItemsTable';
import { Ledger } from './Ledger';
import { lastBoard } from './boardQuery';
import { Reminders } from './Reminders';
import { ToSettleCard } from './ToSettleCard';

type Action = 'payment' | 'charge' | 'reminder' | 'limit' | 'state' | 'settings' | 'opening';

const buttons: [Action, string, string][] = [
  ['payment', 'Take payment', 'R'],
  ['charge', 'Late charge', 'C'],
  ['reminder', 'Remind', 'M'],
  ['limit', 'Limit', 'L'],
  ['state', 'State', 'S'],
  ['settings', 'Terms', 'T'],
];

export function AccountPage() {
  const { code = '' } = useParams();
  return (
    <div className="account-layout">
      <AccountList code={code} />
      <OneAccount key={code} code={code} />
    </div>
  );
}

function OneAccount({ code }: { code: string }) {
  const [search, setSearch] = useSearchParams();
  const asOf = search.get('asOf') ?? undefined;
  const company = useCompany();
  const account = useAccount(code, asOf);
  const go = useNavigate();
  const show = useWorkings();
  const may = useMay();
  const [action, setAction] = useState<Action | null>(null);
  const [at, setAt] = useState(-1);
  const [settleOn, setSettleOn] = useState('');
  const changes = useQuery({
    queryKey: ['changes', code],
    queryFn: () => answer(getAccountChanges({ path: { code } })),
  });
  const page = account.data;
  const wanted = search.get('item');

  useEffect(() => {
    if (wanted && page) document.getElementById(`item-${wanted}`)?.scrollIntoView({ block: 'center' });
  }, [wanted, page]);

  const exposure = async () => show(await answer(getExposure({ path: { code }, query: { asOf } })));
  const workings = async () => {
    const item = page?.items[at];
    if (item) show(await answer(getItemCharge({ path: { code, id: item.id }, query: { through: page?.asOf } })));
    else await exposure();
  };
  const count = page?.items.length ?? 0;
  useKeys({
    ...Object.fromEntries(
      (may('controller') ? buttons : []).map(([name, , key]) => [key.toLowerCase(), () => setAction(name)]),
    ),
    w: () => void workings(),
    ArrowDown: () => setAt(Math.min(count - 1, at + 1)),
    ArrowUp: () => setAt(Math.max(-1, at - 1)),
    Escape: () => void go(lastBoard()),
  });

  if (account.isError)
    return (
      <div className="page">
        <Alert
          type="error"
          showIcon
          title={asProblem(account.error).title}
          description={asProblem(account.error).detail}
        />
      </div>
    );
  if (!page || !company.data) return <div className="page muted">Loading {code} …</div>;
  const p = page.position;
  const over = isNegative(p.headroom);
  const close = () => setAction(null);
  const tabs = [
    {
      key: 'items',
      label: `Open items ${count}`,
      children: (
        <ItemsTable page={page} at={wanted ? page.items.findIndex((i) => i.document === wanted) : at} onFocus={setAt} />
      ),
    },
    { key: 'ledger', label: 'Ledger', children: <Ledger code={code} onOpening={() => setAction('opening')} /> },
    { key: 'reminders', label: `Reminders ${page.reminders.length}`, children: <Reminders page={page} /> },
    { key: 'limits', label: 'Limit', children: <Limits page={page} /> },
    {
      key: 'orders',
      label: `Orders ${page.orders.filter((o) => !['invoiced', 'declined', 'closed'].includes(o.state)).length}`,
      children: <AccountOrders page={page} />,
    },
    {
      key: 'claims',
      label: 'Promises and disputes',
      children: <Claims page={page} today={company.data.businessDate} />,
    },
    { key: 'record', label: 'Customer', children: <CustomerRecord code={code} /> },
    { key: 'log', label: 'Log', children: <ContactLog code={code} today={company.data.businessDate} /> },
    { key: 'files', label: 'Files', children: <Attachments code={code} /> },
    { key: 'changes', label: 'Changes', children: <ChangesTable rows={changes.data ?? []} /> },
  ];
  return (
    <div className="page">
      <div className="headline">
        <h1>{page.account.name}</h1>
        <span className="muted">
          {page.account.code}
          {page.account.group ? (
            <>
              {' '}
              · <Link to={`/groups/${encodeURIComponent(page.account.group)}`}>{page.account.group}</Link>
            </>
          ) : (
            ''
          )}{' '}
          · {page.account.terms}
          {page.account.owner ? ` · owner ${page.account.owner}` : ''}
        </span>
        {p.state !== 'open' && (
          <span className={`badge ${p.state}`}>{p.state === 'stop' ? 'On stop' : 'On watch'}</span>
        )}
        {asOf && (
          <span className="badge watch">
            As at {day(page.asOf)}{' '}
            <button type="button" className="linkish" onClick={() => setSearch({})}>
              back to today
            </button>
          </span>
        )}
        <div className="actions">
          {(may('controller') ? buttons : []).map(([name, label, key]) => (
            <Button
              key={name}
              size="small"
              type={name === 'payment' ? 'primary' : 'default'}
              onClick={() => setAction(name)}
            >
              {label}
              <kbd>{key}</kbd>
            </Button>
          ))}
        </div>
      </div>
      <div style={{ display: 'grid', gridTemplateColumns: 'minmax(0,1fr) auto', gap: 16, alignItems: 'center' }}>
        <LimitBar row={p} large />
        <div className="figure">
          <div className={`strong${over ? ' alarm' : ''}`} style={{ fontSize: 19 }}>
            {over
              ? `Over by ${withCurrency(size(p.headroom).replaceAll(',', ''), p.currency)}`
              : `${withCurrency(p.headroom, p.currency)} left`}
          </div>
          <button type="button" className="linkish muted small" onClick={() => void exposure()}>
            {money(p.exposure)} exposed · limit {money(p.limit)}
            {isZero(p.uplift) ? '' : ` + ${money(p.uplift)}`}
          </button>
        </div>
      </div>
      <div className="cards">
        <ToSettleCard code={code} on={settleOn || page.asOf} onDate={setSettleOn} />
        <section className="card pad" aria-label="Next steps">
          <h2>Next steps</h2>
          <table className="lines">
            <tbody>
              {page.nextSteps.map((step) => (
                <tr key={step.text}>
                  <th scope="row" className={step.alarm ? 'alarm' : ''}>
                    {grouped(step.text)}
                  </th>
                  <td className="figure">
                    {step.date ? (step.date === company.data.businessDate ? 'today' : day(step.date)) : ''}
                  </td>
                </tr>
              ))}
              {page.nextSteps.length === 0 && (
                <tr>
                  <td className="muted">Nothing is to be done on this account.</td>
                </tr>
              )}
            </tbody>
          </table>
        </section>
      </div>
      <div className="card" style={{ padding: '0 8px' }}>
        <Tabs items={tabs} size="small" />
      </div>
      {action === 'payment' && <TakePayment page={page} today={company.data.businessDate} onClose={close} />}
      {action === 'charge' && <RaiseCharge page={page} today={company.data.businessDate} onClose={close} />}
      {action === 'reminder' && <IssueReminder page={page} today={company.data.businessDate} onClose={close} />}
      {action === 'limit' && (
        <ChangeLimit
          holder={{ code, name: page.account.name, currency: p.currency, limit: p.limit, exposure: p.exposure }}
          today={company.data.businessDate}
          onClose={close}
        />
      )}
      {action === 'state' && <ChangeState page={page} today={company.data.businessDate} onClose={close} />}
      {action === 'opening' && <OpeningItem page={page} onClose={close} />}
      {action === 'settings' && <ChangeSettings page={page} today={company.data.businessDate} onClose={close} />}
    </div>
  );
}
