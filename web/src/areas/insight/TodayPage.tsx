import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { Segmented } from 'antd';
import { useState } from 'react';
import { useNavigate } from 'react-router-dom';
import type { TodayCallView, TodayKind } from '../../api/generated';
import { getTodayOptions } from '../../api/generated/@tanstack/react-query.gen';
import { Loaded } from '../../shell/Loaded';
import { lazyDialog } from '../../shell/lazily';
import { useMay, useUser } from '../../shell/session';
import { useAddress } from '../../shell/useAddress';
import { useListKeys } from '../../table/useListKeys';
import { todayKinds } from '../../words/today';
import { SettingUp } from '../company';
import { TodayWork } from './TodayWork';
import { TodayCall } from './TodayCall';
import { addressOf, orderOf, useToday } from './useToday';

const Pages = lazyDialog(() => import('./Pages').then((m) => m.Pages));
const PutOff = lazyDialog(() => import('./PutOff').then((m) => m.PutOff));
const ReviewLimit = lazyDialog(() => import('./ReviewLimit').then((m) => m.ReviewLimit));

/** The queue of what needs a decision, the most money at risk first: each account once, with all its reasons. */
export function TodayPage() {
  const { search, change } = useAddress();
  const user = useUser();
  const may = useMay();
  const go = useNavigate();
  const mine = search.get('owner') === 'me';
  const kind = search.get('kind') ?? '';
  const page = Math.max(1, Number(search.get('page')) || 1);
  const query = useQuery({
    ...getTodayOptions({
      query: { owner: mine ? user?.fullName : undefined, kind: kind || undefined, page, by: 'account' },
    }),
    placeholderData: keepPreviousData,
  });
  const calls = query.data?.calls;
  const { approve, takeUp } = useToday();
  const [putting, setPutting] = useState<TodayCallView | null>(null);
  const [reviewing, setReviewing] = useState<string | null>(null);
  const [showOff, setShowOff] = useState(false);
  // The keys work on what is in sight.
  const rows = (showOff ? calls?.putOff : calls?.items) ?? [];
  const set = (next: Record<string, string>) => {
    change({ page: '', ...next });
    show(false);
  };
  const show = (off: boolean) => {
    setShowOff(off);
    setAt(0);
  };
  const open = (call: TodayCallView | undefined) => call && void go(addressOf(call));
  /** What the reason with the most money at risk asks for; of a kind that was chosen, its first one. */
  const decide = (call: TodayCallView | undefined) => {
    const reason = call?.reasons.find((r) => r.kind === kind) ?? call?.reasons[0];
    if (!call || !reason) return;
    if (reason.kind === 'heldOrder') void go(orderOf(reason));
    else if (reason.kind === 'approval' && may('controller') && reason.number !== null)
      void approve(call, reason.number);
    else if (reason.kind === 'reviewLapsed' && !call.ofGroup && may('controller')) setReviewing(call.about);
    else open(call);
  };
  const { at, setAt } = useListKeys(rows.length, (chosen) => ({
    Enter: () => (showOff ? open(rows[chosen]) : decide(rows[chosen])),
    o: () => open(rows[chosen]),
    p: () => !showOff && may('controller') && rows[chosen] && setPutting(rows[chosen]),
  }));
  return (
    <div className="page sheet today-sheet">
      <div className="headline">
        <h1>Today</h1>
        <span className="muted">
          {calls ? `${calls.total} to decide, the most money at risk first` : 'The most money at risk first'}
        </span>
        <Segmented
          style={{ marginLeft: 'auto' }}
          aria-label="Whose accounts"
          value={mine ? 'me' : 'all'}
          onChange={(v) => set({ owner: v === 'me' ? 'me' : '' })}
          options={[
            { value: 'all', label: 'All accounts' },
            { value: 'me', label: 'Mine' },
          ]}
        />
      </div>
      <div>
        <SettingUp />
        <TodayWork work={query.data?.work ?? []} />
      </div>
      <div className="chips" role="group" aria-label="Kinds">
        <button type="button" aria-pressed={!kind && !showOff} onClick={() => set({ kind: '' })}>
          All {calls?.total ?? ''}
        </button>
        {(Object.keys(todayKinds) as TodayKind[]).map((key) => (
          <button
            key={key}
            type="button"
            aria-pressed={kind === key && !showOff}
            onClick={() => set({ kind: kind === key ? '' : key })}
          >
            {todayKinds[key]} {calls?.counts[key] ?? ''}
          </button>
        ))}
        {(showOff || (calls?.putOffTotal ?? 0) > 0) && (
          <button type="button" aria-pressed={showOff} onClick={() => show(!showOff)}>
            Put off {calls?.putOffTotal}
          </button>
        )}
      </div>
      <div className="card today" tabIndex={0} role="region" aria-label="Today">
        <Loaded query={query} what="what is to be decided" lines={10}>
          {({ calls, page, pageSize }) => (
            <>
              <ol aria-label={showOff ? 'Put off' : 'To decide'}>
                {rows.map((call, i) => (
                  <TodayCall
                    key={`${call.ofGroup} ${call.about}`}
                    call={call}
                    kind={kind}
                    inHand={i === at}
                    putOff={showOff}
                    onTake={() => setAt(i)}
                    onOpen={() => open(call)}
                    onDecide={() => decide(call)}
                    onPutOff={() => setPutting(call)}
                    onTakeUp={() => void takeUp(call)}
                  />
                ))}
              </ol>
              {calls && !showOff && calls.matching > pageSize && (
                <Pages page={page} size={pageSize} total={calls.matching} onChange={(n) => set({ page: `${n}` })} />
              )}
              {calls && showOff && calls.putOffTotal > calls.putOff.length && (
                <p className="pad muted">
                  The first {calls.putOff.length} of {calls.putOffTotal} are shown.
                </p>
              )}
              {showOff && rows.length === 0 && <p className="pad muted">Nothing is put off.</p>}
              {!showOff && rows.length === 0 && (
                <p className="pad muted">
                  {kind || mine
                    ? 'Nothing of this needs a decision. Choose All to see everything.'
                    : 'Nothing needs a decision. The board of all accounts is one key away: 2.'}
                </p>
              )}
            </>
          )}
        </Loaded>
      </div>
      {putting && query.data && <PutOff call={putting} today={query.data.day} onClose={() => setPutting(null)} />}
      {reviewing && query.data && (
        <ReviewLimit code={reviewing} today={query.data.day} onClose={() => setReviewing(null)} />
      )}
    </div>
  );
}
