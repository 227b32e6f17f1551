import { useState } from 'react';
import { useNavigate, useParams, useSearchParams } from 'react-router-dom';
import { getExposure, getItemCharge } from '../../api/generated';
import { answer } from '../../api/problem';
import { useAccount, useCompany } from '../../api/queries';
import { useKeys } from '../../shell/keys';
import { Failed, Waiting } from '../../shell/Loaded';
import { useMay } from '../../shell/session';
import { useWorkings } from '../../workings/Workings';
import { ToSettleCard } from '../cash';
import { AccountList, lastBoard } from '../insight';
import { AccountActions } from './AccountActions';
import { actionKeys, type Action } from './actions';
import { AccountHead } from './AccountHead';
import { AccountTabs } from './AccountTabs';
import { NextSteps } from './NextSteps';

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
  const wanted = search.get('item');
  const company = useCompany();
  const account = useAccount(code, asOf);
  const go = useNavigate();
  const show = useWorkings();
  const may = useMay();
  const [action, setAction] = useState<Action | null>(null);
  const [at, setAt] = useState(-1);
  const [settleOn, setSettleOn] = useState('');
  const page = account.data;

  const exposure = async () => show(await answer(getExposure({ path: { code }, query: { asOf } })));
  const workings = async () => {
    const item = page?.items[at];
    if (item) show(await answer(getItemCharge({ path: { code, id: item.id }, query: { through: page?.asOf } })));
    else await exposure();
  };
  const count = page?.items.length ?? 0;
  useKeys({
    ...(may('controller') ? actionKeys(setAction) : {}),
    w: () => void workings(),
    ArrowDown: () => setAt(Math.min(count - 1, at + 1)),
    ArrowUp: () => setAt(Math.max(-1, at - 1)),
    Escape: () => void go(lastBoard()),
  });

  const failed = account.error ?? company.error;
  if (!page || !company.data)
    return (
      <div className="page">
        {failed ? (
          <Failed error={failed} onRetry={() => void Promise.all([account.refetch(), company.refetch()])} />
        ) : (
          <Waiting what={`account ${code}`} lines={12} />
        )}
      </div>
    );
  const today = company.data.businessDate;
  return (
    <div className="page">
      {account.isError && <Failed error={account.error} onRetry={() => void account.refetch()} />}
      <AccountHead
        page={page}
        past={asOf !== undefined}
        onToday={() => setSearch({})}
        onAction={setAction}
        onExposure={() => void exposure()}
      />
      <div className="cards">
        <ToSettleCard code={code} on={settleOn || page.asOf} onDate={setSettleOn} />
        <NextSteps steps={page.nextSteps} today={today} />
      </div>
      <AccountTabs
        page={page}
        today={today}
        at={wanted ? page.items.findIndex((i) => i.document === wanted) : at}
        wanted={wanted}
        onFocus={setAt}
        onOpening={() => setAction('opening')}
      />
      <AccountActions action={action} at={at} page={page} today={today} onClose={() => setAction(null)} />
    </div>
  );
}
