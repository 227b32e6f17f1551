import { keepPreviousData, useQuery, useQueryClient } from '@tanstack/react-query';
import { Alert, Button, Pagination, Progress, Segmented } from 'antd';
import { useEffect, useState } from 'react';
import { useParams } from 'react-router-dom';
import { ofRuns, ofRunsAndAccounts, readAgain } from '../../api/changes';
import {
  discardRun,
  reverseRun,
  stopRun,
  type RunAccountView,
  type RunLineState,
  type RunView,
} from '../../api/generated';
import { getRunOptions, listRunAccountsOptions } from '../../api/generated/@tanstack/react-query.gen';
import { answer } from '../../api/problem';
import { ReasonDialog } from '../../form/ReasonDialog';
import { useAct } from '../../form/useAct';
import { useKey } from '../../form/useKey';
import { day } from '../../format/dates';
import { grouped, money, withCurrency } from '../../format/money';
import { useKeys } from '../../shell/keys';
import { lazyDialog } from '../../shell/lazily';
import { Loaded } from '../../shell/Loaded';
import { useMay } from '../../shell/session';
import { useAddress } from '../../shell/useAddress';
import { Choices } from '../../table/Choices';
import { lineStates, runKinds, runSteps } from '../../words/runs';
import { AccountInHand } from './AccountInHand';
import { RunResults } from './RunResults';
import { accountsIn, isAtWork, listsOf, progress } from './counts';

const PostRun = lazyDialog(() => import('./PostRun').then((m) => m.PostRun));
const pageSize = 100;

/** One run: its accounts at the left, the one in hand with its workings or its letter at the right. */
export function RunPage() {
  const { id } = useParams();
  const query = useQuery({
    ...getRunOptions({ path: { id: Number(id) }, query: { lines: false } }),
    refetchInterval: (q) => (q.state.data && isAtWork(q.state.data.state) ? 1000 : false),
  });
  return (
    <div className="page sheet cash-sheet">
      <Loaded query={query} what="the run" lines={10}>
        {(run) => <Sheet run={run} />}
      </Loaded>
    </div>
  );
}

function Sheet({ run }: { run: RunView }) {
  const { search, change } = useAddress();
  const may = useMay();
  const client = useQueryClient();
  const act = useAct(ofRunsAndAccounts);
  const once = useKey();
  const [asking, setAsking] = useState<'post' | 'discard' | 'reverse' | null>(null);
  const lists = listsOf(run);
  const show = lists.find((s) => s === search.get('show')) ?? lists[0] ?? 'ready';
  const results = accountsIn(run, 'posted') > 0 && search.get('show') === 'results';
  const can = (what: RunView['may'][number]) => may('controller') && run.may.includes(what);
  const toPost = can('post') && accountsIn(run, 'ready') > 0;
  const atWork = isAtWork(run.state);
  // What was posted in the background is read again wherever it is looked at next.
  useEffect(() => {
    if (!atWork) void readAgain(client, ofRunsAndAccounts);
  }, [atWork, client]);
  useKeys({ g: () => toPost && setAsking('post') });
  return (
    <>
      <div className="headline">
        <h1>
          {runKinds[run.kind]} {run.kind === 'reminders' ? 'of' : 'through'} {day(run.date)}
        </h1>
        <span className="muted">
          Run {run.id}, {run.scope}, {runSteps[run.state]} by {run.lastBy}
        </span>
        <span className="actions">
          {can('discard') && <Button onClick={() => setAsking('discard')}>Discard</Button>}
          {can('reverse') && accountsIn(run, 'posted') > 0 && (
            <Button danger onClick={() => setAsking('reverse')}>
              Reverse the run
            </Button>
          )}
          {can('stop') && (
            <Button danger onClick={() => void act(() => answer(stopRun({ path: { id: run.id }, headers: once })))}>
              Stop
            </Button>
          )}
          {toPost && (
            <Button type="primary" onClick={() => setAsking('post')}>
              {run.state === 'stopped' ? 'Go on' : run.kind === 'reminders' ? 'Issue' : 'Post'} <kbd>G</kbd>
            </Button>
          )}
        </span>
      </div>
      <div className="run-head">
        <Segmented
          aria-label="Accounts shown"
          value={results ? 'results' : show}
          onChange={(v) => change({ show: v, account: '', page: '' })}
          options={[
            ...lists.map((s) => ({ value: s as string, label: `${lineStates[s]} ${accountsIn(run, s)}` })),
            ...(accountsIn(run, 'posted') > 0 ? [{ value: 'results', label: 'What it brought' }] : []),
          ]}
        />
        <span className="strong">
          {Object.entries(run.totals)
            .map(([currency, amount]) => withCurrency(amount, currency))
            .join('  ·  ')}
        </span>
        {atWork && <Progress percent={progress(run)} size="small" className="run-progress" aria-label="Progress" />}
        {run.detail && <Alert type={run.state === 'stopped' ? 'error' : 'info'} title={run.detail} />}
      </div>
      {results ? <RunResults run={run} /> : <Accounts run={run} show={show} />}
      {asking === 'post' && <PostRun run={run} onClose={() => setAsking(null)} />}
      {asking === 'discard' && (
        <ReasonDialog
          title={`Discard run ${run.id}`}
          action="Discard"
          extra="Nothing was posted; what was changed on this sheet is gone."
          change={ofRuns}
          act={(reason) => answer(discardRun({ path: { id: run.id }, body: { reason } }))}
          onClose={() => setAsking(null)}
        />
      )}
      {asking === 'reverse' && (
        <ReasonDialog
          title={`Reverse run ${run.id}`}
          action="Reverse"
          extra={
            run.kind === 'reminders'
              ? 'Each reminder is cancelled: its fee is reversed and its items fall back a level.'
              : 'Each charge is reversed: its items are charged from their former day again.'
          }
          change={ofRunsAndAccounts}
          act={(reason) => answer(reverseRun({ path: { id: run.id }, body: { reason } }))}
          onClose={() => setAsking(null)}
        />
      )}
    </>
  );
}

function Accounts({ run, show }: { run: RunView; show: RunLineState }) {
  const { search } = useAddress();
  const page = Number(search.get('page') ?? 1);
  const query = useQuery({
    ...listRunAccountsOptions({ path: { id: run.id }, query: { state: show, page, pageSize } }),
    placeholderData: keepPreviousData,
    refetchInterval: isAtWork(run.state) ? 2000 : false,
  });
  return (
    <Loaded query={query} what="the accounts of the run" lines={10}>
      {({ items, total }) => <List run={run} show={show} items={items} total={total} page={page} />}
    </Loaded>
  );
}

const told: Record<RunLineState, string> = {
  ready: 'Nothing is to be posted.',
  leftOut: 'Nothing is left out.',
  changed: 'Nothing changed since it was proposed.',
  failed: 'Everything could be posted.',
  posted: 'Nothing was posted yet.',
  reversed: 'Nothing was reversed.',
};

function List({
  run,
  show,
  items,
  total,
  page,
}: {
  run: RunView;
  show: RunLineState;
  items: RunAccountView[];
  total: number;
  page: number;
}) {
  const { search, change } = useAddress();
  const chosen = items.find((a) => a.account === search.get('account')) ?? items[0];
  if (!chosen) return <div className="card pad muted">{told[show]}</div>;
  return (
    <div className="split cash-split">
      <div className="card queue-with-foot">
        <div />
        <Choices
          label={lineStates[show]}
          chosen={chosen.account}
          onChoose={(account) => change({ account })}
          choices={items.map((a) => ({
            key: a.account,
            title: a.name,
            mark: <span className="figure nowrap">{money(a.amount)}</span>,
            whom: grouped(a.reason) || summary(run, a),
            when: a.document ?? a.account,
          }))}
        />
        <div />
        {total > pageSize ? (
          <div className="pad">
            <Pagination
              size="small"
              current={page}
              pageSize={pageSize}
              total={total}
              showSizeChanger={false}
              onChange={(p) => change({ page: p > 1 ? String(p) : '', account: '' })}
            />
          </div>
        ) : (
          <div />
        )}
      </div>
      <AccountInHand key={`${chosen.account} ${chosen.state}`} run={run} account={chosen} />
    </div>
  );
}

const counted = (n: number) => (n === 1 ? '1 item' : `${n} items`);

const summary = (run: RunView, a: RunAccountView) =>
  run.kind === 'reminders' ? `level ${a.level}, ${counted(a.items.length)}` : counted(a.items.length);
