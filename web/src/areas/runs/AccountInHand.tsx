import { useQuery } from '@tanstack/react-query';
import { Alert, Button, Segmented } from 'antd';
import { useState } from 'react';
import { Link, useNavigate } from 'react-router-dom';
import { ofRuns, ofRunsAndAccounts } from '../../api/changes';
import {
  changeRunAccount,
  reverseRunAccount,
  type RunAccountDetail,
  type RunAccountView,
  type RunView,
} from '../../api/generated';
import { getRunAccountOptions } from '../../api/generated/@tanstack/react-query.gen';
import { answer } from '../../api/problem';
import { ReasonDialog } from '../../form/ReasonDialog';
import { useAct } from '../../form/useAct';
import { grouped, isZero, money } from '../../format/money';
import { useKeys } from '../../shell/keys';
import { lazyDialog } from '../../shell/lazily';
import { Loaded } from '../../shell/Loaded';
import { useMay } from '../../shell/session';
import { WorkingsTable } from '../../workings/WorkingsTable';
import { runChanges } from '../../words/runs';
import { RunItems } from './RunItems';
import { RunJournal } from './RunJournal';

const CutItem = lazyDialog(() => import('./CutItem').then((m) => m.CutItem));
const ChooseLevel = lazyDialog(() => import('./ChooseLevel').then((m) => m.ChooseLevel));
const PauseReminders = lazyDialog(() => import('./PauseReminders').then((m) => m.PauseReminders));

type Asking =
  { what: 'leaveOut' | 'takeIn' | 'level' | 'pause' | 'reverse' } | { what: 'leaveOutItem' | 'cut'; item: number };

/** One account of a run: its items, why it stands as it does, its workings or its letter, and what may be decided. */
export function AccountInHand({ run, account }: { run: RunView; account: RunAccountView }) {
  const query = useQuery({
    ...getRunAccountOptions({ path: { id: run.id, code: account.account } }),
    staleTime: 0,
  });
  return (
    <section className="card pad" aria-label="The account in hand">
      <Loaded query={query} what="the account" lines={8}>
        {(detail) => <InHand run={run} detail={detail} />}
      </Loaded>
    </section>
  );
}

function InHand({ run, detail }: { run: RunView; detail: RunAccountDetail }) {
  const a = detail.line;
  const code = a.account;
  const go = useNavigate();
  const may = useMay();
  const act = useAct(ofRuns);
  const [asking, setAsking] = useState<Asking | null>(null);
  const letters = run.kind === 'reminders';
  const hasLetter = letters && a.state !== 'leftOut';
  const [view, setView] = useState<'letter' | 'workings'>(hasLetter ? 'letter' : 'workings');
  const change = may('controller') && run.may.includes('change') && !['posted', 'reversed'].includes(a.state);
  const byPerson = detail.changes.filter((c) => ['leaveOut', 'putBack', 'takeIn'].includes(c.kind)).at(-1);
  const leftOutByPerson = a.state === 'leftOut' && byPerson?.kind === 'leaveOut';
  const decide = (body: Parameters<typeof changeRunAccount>[0]['body']) =>
    answer(
      changeRunAccount({
        path: { id: run.id, code },
        body,
        headers: { 'Idempotency-Key': crypto.randomUUID() },
      }),
    );
  const again = a.state === 'changed' || a.state === 'failed';
  useKeys({
    o: () => void go(`/accounts/${encodeURIComponent(code)}`),
    w: () => hasLetter && setView(view === 'letter' ? 'workings' : 'letter'),
    ...(change && {
      x: () =>
        leftOutByPerson
          ? void act(() => decide({ kind: 'putBack' }))
          : a.state !== 'leftOut' && setAsking({ what: 'leaveOut' }),
      t: () => (a.canTakeIn ? setAsking({ what: 'takeIn' }) : again && void act(() => decide({ kind: 'confirm' }))),
      e: () => hasLetter && detail.levels > 1 && setAsking({ what: 'level' }),
      z: () => letters && setAsking({ what: 'pause' }),
    }),
  });
  return (
    <>
      <div className="row-between">
        <h2 className="in-hand-name linked">
          <Link to={`/accounts/${encodeURIComponent(code)}`}>{a.name}</Link>
        </h2>
        <span className="row-gap">
          {change && again && (
            <Button type="primary" onClick={() => void act(() => decide({ kind: 'confirm' }))}>
              {a.state === 'changed' ? 'Confirm' : 'Try again'} <kbd>T</kbd>
            </Button>
          )}
          {change && a.canTakeIn && (
            <Button type="primary" onClick={() => setAsking({ what: 'takeIn' })}>
              Take in <kbd>T</kbd>
            </Button>
          )}
          {change && leftOutByPerson && (
            <Button onClick={() => void act(() => decide({ kind: 'putBack' }))}>
              Put back <kbd>X</kbd>
            </Button>
          )}
          {change && hasLetter && detail.levels > 1 && (
            <Button onClick={() => setAsking({ what: 'level' })}>
              Level <kbd>E</kbd>
            </Button>
          )}
          {change && letters && (
            <Button onClick={() => setAsking({ what: 'pause' })}>
              Pause <kbd>Z</kbd>
            </Button>
          )}
          {change && a.state !== 'leftOut' && (
            <Button onClick={() => setAsking({ what: 'leaveOut' })}>
              Leave out <kbd>X</kbd>
            </Button>
          )}
          {may('controller') && run.may.includes('reverse') && a.state === 'posted' && (
            <Button danger onClick={() => setAsking({ what: 'reverse' })}>
              {letters ? 'Cancel the reminder' : 'Reverse'}
            </Button>
          )}
        </span>
      </div>
      <Summary run={run} account={a} />
      {a.reason && (
        <Alert
          type={a.state === 'failed' ? 'error' : a.state === 'changed' ? 'warning' : 'info'}
          showIcon
          title={grouped(a.reason)}
          style={{ margin: '8px 0' }}
        />
      )}
      {detail.consequences.length > 0 && (
        <Alert type="warning" showIcon title={detail.consequences.join(' ')} style={{ margin: '8px 0' }} />
      )}
      <RunItems
        kind={run.kind}
        account={a}
        onLeaveOut={change && a.state !== 'leftOut' ? (item) => setAsking({ what: 'leaveOutItem', item }) : undefined}
        onCut={change && !letters && a.state !== 'leftOut' ? (item) => setAsking({ what: 'cut', item }) : undefined}
        onPutBack={change ? (item) => void act(() => decide({ kind: 'putBackItem', item })) : undefined}
      />
      {detail.changes.length > 0 && (
        <ul className="small muted run-changes" aria-label="Decisions">
          {detail.changes.map((c, i) => (
            <li key={i}>
              {runChanges[c.kind]}
              {c.document ? ` ${c.document}` : ''}
              {c.amount ? ` to ${money(c.amount)}` : ''}
              {c.level ? ` ${c.level}` : ''}
              {c.reason ? `: ${c.reason}` : ''}
            </li>
          ))}
        </ul>
      )}
      {hasLetter && (
        <div className="row-gap" style={{ margin: '10px 0' }}>
          <Segmented
            aria-label="What is shown below"
            value={view}
            onChange={(v) => setView(v as typeof view)}
            options={[
              { value: 'letter', label: 'Letter' },
              { value: 'workings', label: 'Workings' },
            ]}
          />
          <a href={letterOf(run, code)} target="_blank" rel="noreferrer">
            Open the letter (PDF)
          </a>
        </div>
      )}
      {hasLetter && a.document === null && view === 'letter' ? (
        <Letter run={run} code={code} version={JSON.stringify([a.amount, a.level, detail.changes.length])} />
      ) : (
        <>
          {detail.workings.length > 0 && <WorkingsTable workings={detail.workings} />}
          {detail.journal.length > 0 && <RunJournal lines={detail.journal} />}
        </>
      )}
      {!letters && a.entry !== null && (
        <p className="row-gap">
          <a href={`/api/late-charges/${a.entry}/pdf`} target="_blank" rel="noreferrer">
            Charge document (PDF)
          </a>
        </p>
      )}
      {asking && <Dialogs run={run} detail={detail} asking={asking} onClose={() => setAsking(null)} />}
    </>
  );
}

function Summary({ run, account: a }: { run: RunView; account: RunAccountView }) {
  const parts =
    run.kind === 'reminders'
      ? [
          a.level > 0 && `level ${a.level}`,
          !isZero(a.interest) && `late charge ${money(a.interest)}`,
          !isZero(a.fee) && `fee ${money(a.fee)}`,
        ]
      : [!isZero(a.tax) && `tax ${money(a.tax)}`];
  return (
    <p className="muted" style={{ margin: '4px 0' }}>
      {a.document ? `${a.document}, ` : ''}
      <b>{money(a.amount)}</b>
      {parts
        .filter(Boolean)
        .map((p) => `, ${p as string}`)
        .join('')}
    </p>
  );
}

/** The very letter, as a picture of its first page; the whole opens as PDF. */
function Letter({ run, code, version }: { run: RunView; code: string; version: string }) {
  return (
    <img
      className="run-letter"
      src={`${letterOf(run, code)}?picture=true&v=${encodeURIComponent(version)}`}
      alt={`First page of the letter to ${code}`}
    />
  );
}

const letterOf = (run: RunView, code: string) => `/api/runs/${run.id}/accounts/${encodeURIComponent(code)}/letter`;

function Dialogs({
  run,
  detail,
  asking,
  onClose,
}: {
  run: RunView;
  detail: RunAccountDetail;
  asking: Asking;
  onClose: () => void;
}) {
  const a = detail.line;
  const path = { id: run.id, code: a.account };
  switch (asking.what) {
    case 'leaveOut':
      return (
        <ReasonDialog
          title={`Leave ${a.name} out`}
          action="Leave out"
          extra={run.kind === 'reminders' ? 'No letter goes out in this run.' : 'What has accrued goes on accruing.'}
          change={ofRuns}
          act={(reason) => answer(changeRunAccount({ path, body: { kind: 'leaveOut', reason } }))}
          onClose={onClose}
        />
      );
    case 'takeIn':
      return (
        <ReasonDialog
          title={`Take ${a.name} in`}
          action="Take in"
          extra={a.reason}
          change={ofRuns}
          act={(reason) => answer(changeRunAccount({ path, body: { kind: 'takeIn', reason } }))}
          onClose={onClose}
        />
      );
    case 'leaveOutItem':
      return (
        <ReasonDialog
          title={`Leave ${nameOf(a, asking.item)} out`}
          action="Leave out"
          change={ofRuns}
          act={(reason) =>
            answer(changeRunAccount({ path, body: { kind: 'leaveOutItem', item: asking.item, reason } }))
          }
          onClose={onClose}
        />
      );
    case 'cut':
      return <CutItem run={run} account={a} item={asking.item} onClose={onClose} />;
    case 'level':
      return <ChooseLevel run={run} account={a} levels={detail.levels} onClose={onClose} />;
    case 'pause':
      return <PauseReminders code={a.account} name={a.name} run={run.id} onClose={onClose} />;
    case 'reverse':
      return (
        <ReasonDialog
          title={`Reverse ${a.document ?? ''} of ${a.name}`}
          action="Reverse"
          change={ofRunsAndAccounts}
          act={(reason) => answer(reverseRunAccount({ path, body: { reason } }))}
          onClose={onClose}
        />
      );
  }
}

const nameOf = (a: RunAccountView, item: number) => a.items.find((i) => i.item === item)?.document ?? '';
