import { useQuery, useQueryClient } from '@tanstack/react-query';
import { Alert, App, Button, DatePicker, Modal, Pagination, Segmented } from 'antd';
import dayjs from 'dayjs';
import { useState } from 'react';
import { useNavigate, useSearchParams } from 'react-router-dom';
import { approveLimitRequest, getToday, putOff, takeUp, type TodayEntryView } from '../../api/generated';
import { answer, asProblem } from '../../api/problem';
import { day, iso } from '../../format/dates';
import { grouped, withCurrency } from '../../format/money';
import { useKeys } from '../../shell/keys';
import { ChangeLimit, type Holder } from '../accounts/actions/ChangeLimit';
import { SettingUp } from '../policies/SettingUp';
import { useMay, useUser } from '../users/useSession';
import { useAccount } from '../../api/queries';

const kinds: Record<string, string> = {
  heldOrder: 'Held order',
  approval: 'Approval',
  overLimit: 'Over limit',
  promiseBroken: 'Broken promise',
  promiseDue: 'Promised today',
  reviewLapsed: 'Review lapsed',
  willPass: 'Will pass limit',
};

const actions: Record<string, string> = {
  heldOrder: 'Decide',
  approval: 'Approve',
  overLimit: 'Open',
  promiseBroken: 'Open',
  promiseDue: 'Open',
  reviewLapsed: 'Review',
  willPass: 'Open',
};

/** The queue of what needs a decision, the most money at risk first; worked from top to bottom. */
export function TodayPage() {
  const [search, setSearch] = useSearchParams();
  const user = useUser();
  const may = useMay();
  const mine = search.get('owner') === 'me';
  const kind = search.get('kind') ?? '';
  const page = Math.max(1, Number(search.get('page')) || 1);
  const owner = mine ? user?.fullName : undefined;
  const { data, isError, error } = useQuery({
    queryKey: ['today', owner ?? '', kind, page],
    queryFn: () => answer(getToday({ query: { owner, kind: kind || undefined, page } })),
    placeholderData: (d) => d,
  });
  const client = useQueryClient();
  const { message } = App.useApp();
  const go = useNavigate();
  const [at, setAt] = useState(0);
  const [putting, setPutting] = useState<TodayEntryView | null>(null);
  const [reviewing, setReviewing] = useState<TodayEntryView | null>(null);
  const [showOff, setShowOff] = useState(false);
  const rows = data?.items ?? [];
  const chosen = Math.min(at, Math.max(0, rows.length - 1));
  const set = (key: string, value: string) => {
    const params = new URLSearchParams(search);
    if (value) params.set(key, value);
    else params.delete(key);
    if (key !== 'page') params.delete('page');
    setSearch(params, { replace: true });
    setAt(0);
  };
  const act = async (call: () => Promise<unknown>, done: string) => {
    try {
      await call();
      void message.success(done);
    } catch (e) {
      void message.error(asProblem(e).detail);
    }
    await client.invalidateQueries();
  };
  const open = (e: TodayEntryView) =>
    void go(e.ofGroup ? `/groups/${encodeURIComponent(e.about)}` : `/accounts/${encodeURIComponent(e.about)}`);
  const doIt = (e: TodayEntryView | undefined) => {
    if (!e) return;
    if (e.kind === 'heldOrder') void go(`/orders?id=${e.number}`);
    else if (e.kind === 'approval' && may('controller') && e.number !== null)
      void act(
        () => answer(approveLimitRequest({ path: { id: e.number! }, body: { reason: '' } })),
        `${e.name}: the limit is approved.`,
      );
    else if (e.kind === 'reviewLapsed' && !e.ofGroup && may('controller')) setReviewing(e);
    else open(e);
  };
  useKeys({
    j: () => setAt(Math.min(rows.length - 1, chosen + 1)),
    k: () => setAt(Math.max(0, chosen - 1)),
    ArrowDown: () => setAt(Math.min(rows.length - 1, chosen + 1)),
    ArrowUp: () => setAt(Math.max(0, chosen - 1)),
    Enter: () => doIt(rows[chosen]),
    o: () => rows[chosen] && open(rows[chosen]),
    p: () => may('controller') && rows[chosen] && setPutting(rows[chosen]),
  });
  const shown = showOff ? (data?.putOff ?? []) : rows;
  return (
    <div
      className="page"
      style={{ display: 'grid', gridTemplateRows: 'auto auto auto 1fr', gap: 10, overflow: 'hidden' }}
    >
      <div className="headline" style={{ marginBottom: 0 }}>
        <h1>Today</h1>
        <span className="muted">{data ? `${data.total} to decide, the most money at risk first` : ''}</span>
        <Segmented
          style={{ marginLeft: 'auto' }}
          aria-label="Whose accounts"
          value={mine ? 'me' : 'all'}
          onChange={(v) => set('owner', v === 'me' ? 'me' : '')}
          options={[
            { value: 'all', label: 'All accounts' },
            { value: 'me', label: 'Mine' },
          ]}
        />
      </div>
      <div>
        <SettingUp />
      </div>
      <div className="chips" role="group" aria-label="Kinds">
        <button type="button" aria-pressed={!kind} onClick={() => set('kind', '')}>
          All {data?.total ?? ''}
        </button>
        {Object.entries(kinds).map(([key, name]) => (
          <button
            key={key}
            type="button"
            aria-pressed={kind === key}
            onClick={() => set('kind', kind === key ? '' : key)}
          >
            {name} {data?.counts[key] ?? ''}
          </button>
        ))}
        {(data?.putOffTotal ?? 0) > 0 && (
          <button type="button" aria-pressed={showOff} onClick={() => setShowOff(!showOff)}>
            Put off {data?.putOffTotal}
          </button>
        )}
      </div>
      <div
        className="card"
        style={{ overflow: 'auto' }}
        role={shown.length > 0 ? 'list' : 'region'}
        aria-label="Today"
        tabIndex={0}
      >
        {isError && (
          <Alert type="error" showIcon title={asProblem(error).title} description={asProblem(error).detail} />
        )}
        {shown.map((e, i) => (
          <div
            key={e.key}
            role="listitem"
            className={`today-row${!showOff && i === chosen ? ' on' : ''}`}
            onClick={() => setAt(i)}
          >
            <span className={`strong${['overLimit', 'promiseBroken'].includes(e.kind) ? ' alarm' : ''}`}>
              {kinds[e.kind]}
            </span>
            <span>
              <button type="button" className="linkish strong" onClick={() => open(e)}>
                {e.name}
              </button>{' '}
              <span className="muted small">
                {e.ofGroup ? 'group' : e.about}
                {e.owner ? ` · ${e.owner}` : ''}
              </span>
              <div>
                {grouped(e.text)}
                {e.on ? <span className="muted"> · {day(e.on)}</span> : ''}
                {e.putOffUntil ? (
                  <span className="muted">
                    {' '}
                    · put off until {day(e.putOffUntil)} by {e.putOffBy}
                  </span>
                ) : (
                  ''
                )}
              </div>
            </span>
            <span className="figure strong">{withCurrency(e.atRisk, e.currency)}</span>
            <span className="actions">
              {showOff ? (
                <Button
                  size="small"
                  onClick={() => void act(() => answer(takeUp({ body: { key: e.key } })), 'It is back in the list.')}
                >
                  Take up again
                </Button>
              ) : (
                <>
                  <Button size="small" type={i === chosen ? 'primary' : 'default'} onClick={() => doIt(e)}>
                    {actions[e.kind]}
                    {i === chosen && <kbd>Enter</kbd>}
                  </Button>
                  {may('controller') && (
                    <Button size="small" onClick={() => setPutting(e)}>
                      Put off{i === chosen && <kbd>P</kbd>}
                    </Button>
                  )}
                </>
              )}
            </span>
          </div>
        ))}
        {data && !showOff && data.matching > data.pageSize && (
          <Pagination
            className="pad"
            size="small"
            align="end"
            current={data.page}
            total={data.matching}
            pageSize={data.pageSize}
            showSizeChanger={false}
            showTotal={(total, [from, to]) => `${from} to ${to} of ${total}`}
            onChange={(n) => set('page', `${n}`)}
          />
        )}
        {data && showOff && data.putOffTotal > shown.length && (
          <p className="pad muted">
            The first {shown.length} of {data.putOffTotal} are shown.
          </p>
        )}
        {data && !showOff && rows.length === 0 && (
          <p className="pad muted">Nothing needs a decision. The board of all accounts is one key away: 2.</p>
        )}
      </div>
      {putting && data && (
        <PutOff
          today={data.day}
          entry={putting}
          onClose={() => setPutting(null)}
          onPut={(until) => {
            setPutting(null);
            void act(
              () => answer(putOff({ body: { key: putting.key, until, reason: '' } })),
              `${putting.name}: back on ${day(until)}.`,
            );
          }}
        />
      )}
      {reviewing && data && <Review entry={reviewing} today={data.day} onClose={() => setReviewing(null)} />}
    </div>
  );
}

function PutOff({
  entry,
  today,
  onPut,
  onClose,
}: {
  entry: TodayEntryView;
  today: string;
  onPut: (until: string) => void;
  onClose: () => void;
}) {
  const [until, setUntil] = useState(dayjs(today).add(1, 'day'));
  return (
    <Modal open title={`Put off: ${entry.name}`} footer={null} onCancel={onClose} width={380}>
      <div style={{ display: 'flex', gap: 8, flexWrap: 'wrap' }}>
        {[1, 3, 7].map((n) => (
          <Button key={n} onClick={() => onPut(iso(dayjs(today).add(n, 'day')))}>
            {n === 1 ? 'To tomorrow' : `${n} days`}
          </Button>
        ))}
        <DatePicker
          aria-label="Until"
          format="D MMM YYYY"
          allowClear={false}
          value={until}
          minDate={dayjs(today).add(1, 'day')}
          onChange={(d) => d && setUntil(d)}
        />
        <Button type="primary" onClick={() => onPut(iso(until))}>
          Put off
        </Button>
      </div>
    </Modal>
  );
}

/** A lapsed review: the limit is confirmed or changed, with its next review. */
function Review({ entry, today, onClose }: { entry: TodayEntryView; today: string; onClose: () => void }) {
  const { data } = useAccount(entry.about);
  if (!data) return null;
  const holder: Holder = {
    code: data.account.code,
    name: data.account.name,
    currency: data.account.currency,
    limit: data.position.limit,
    exposure: data.position.exposure,
  };
  return <ChangeLimit holder={holder} today={today} confirm onClose={onClose} />;
}
