import { useQuery } from '@tanstack/react-query';
import { Button, Checkbox, Dropdown, Progress } from 'antd';
import { useState } from 'react';
import { ofWhatIfs } from '../../api/changes';
import { dropWhatIf, stopWhatIf, type WhatIfView } from '../../api/generated';
import { getWhatIfOptions, listWhatIfsOptions } from '../../api/generated/@tanstack/react-query.gen';
import { answer } from '../../api/problem';
import { useAct } from '../../form/useAct';
import { moment } from '../../format/dates';
import { useKeys } from '../../shell/keys';
import { lazyDialog } from '../../shell/lazily';
import { Loaded } from '../../shell/Loaded';
import { useMay } from '../../shell/session';
import { useAddress } from '../../shell/useAddress';
import { useListKeys } from '../../table/useListKeys';
import { whatIfStates } from '../../words/insight';
import { useWorkings } from '../../workings/Workings';
import { ChangeMany } from '../accounts';
import { TakeOut } from '../insight';
import { appliable, replaced, scopeOf, type Apply } from './replaced';
import { ReplayedAccount } from './ReplayedAccount';
import { ReplayedAccounts } from './ReplayedAccounts';
import { WhatIfColumns } from './WhatIfColumns';

const NewWhatIf = lazyDialog(() => import('./NewWhatIf').then((m) => m.NewWhatIf));

// More do not stand side by side.
const mostBeside = 3;

/** The past under other rules: what was tried out, what happened beside what would have, and who differs most. */
export function WhatIfPage() {
  const { search, change } = useAddress();
  const may = useMay();
  const show = useWorkings();
  const act = useAct(ofWhatIfs);
  const [making, setMaking] = useState<{ like?: WhatIfView }>();
  const [code, setCode] = useState<string>();
  const [applying, setApplying] = useState<Apply>();
  const all = useQuery({
    ...listWhatIfsOptions(),
    refetchInterval: (q) => (q.state.data?.some((w) => w.state === 'atWork') ? 1000 : false),
  });
  const list = all.data ?? [];
  const beside = search.get('beside')?.split(',').map(Number) ?? [];
  const at = Math.max(
    0,
    list.findIndex((w) => w.id === Number(search.get('id'))),
  );
  const inHand = list[at];
  const open = (w: WhatIfView | undefined) => w && change({ id: `${w.id}`, beside: '' });
  const { setAt } = useListKeys(list.length, () => ({}), { onMove: (i) => open(list[i]) });
  useKeys({
    m: () => may('controller') && setMaking({}),
    w: () => inHand && workings(inHand),
  });
  const workings = (w: WhatIfView) => show({ title: `${w.name}: how it comes about`, workings: w.workings });
  const shown = inHand ? [inHand, ...list.filter((w) => w.id !== inHand.id && beside.includes(w.id))] : [];
  return (
    <div className="insight-part">
      <div className="row-between">
        <p className="muted small" style={{ margin: 0 }}>
          The same history through the same rules that post, with some of them replaced.
        </p>
        <span className="row-gap">
          {may('controller') && (
            <Button onClick={() => setMaking({})}>
              What if … <kbd>M</kbd>
            </Button>
          )}
        </span>
      </div>
      <Loaded query={all} what="the what-ifs" lines={8}>
        {() =>
          inHand ? (
            <div className="measures what-ifs">
              <ul className="card what-if-list" aria-label="What-ifs">
                {list.map((w, i) => (
                  <li key={w.id} className={w.id === inHand.id ? 'on' : undefined}>
                    <button
                      type="button"
                      aria-current={w.id === inHand.id}
                      onClick={() => {
                        setAt(i);
                        open(w);
                      }}
                    >
                      <b>{w.name}</b>
                      <span className="muted small">
                        {w.state === 'done' ? replaced(w).join(', ') || 'nothing replaced' : whatIfStates[w.state]}
                      </span>
                    </button>
                    {w.id !== inHand.id && w.state === 'done' && inHand.state === 'done' && (
                      <Checkbox
                        aria-label={`${w.name} beside ${inHand.name}`}
                        checked={beside.includes(w.id)}
                        disabled={!beside.includes(w.id) && shown.length >= mostBeside}
                        onChange={(e) =>
                          change({
                            beside: (e.target.checked ? [...beside, w.id] : beside.filter((b) => b !== w.id)).join(','),
                          })
                        }
                      />
                    )}
                  </li>
                ))}
              </ul>
              <section className="card what-if">
                <div className="row-between pad">
                  <div>
                    <h2>{inHand.name}</h2>
                    <p className="muted small">
                      {scopeOf(inHand)}. Replaced: {replaced(inHand).join(', ') || 'nothing'}.{' '}
                      <span className="nowrap">
                        {inHand.madeBy}, {moment(inHand.madeAt)}
                      </span>
                    </p>
                  </div>
                  <Acts
                    of={inHand}
                    onApply={setApplying}
                    onLike={() => setMaking({ like: inHand })}
                    onStop={() => void act(() => answer(stopWhatIf({ path: { id: inHand.id } })))}
                    onDrop={() => void act(() => answer(dropWhatIf({ path: { id: inHand.id } })))}
                  />
                </div>
                {inHand.state === 'atWork' && (
                  <Progress percent={inHand.percent ?? 0} style={{ padding: '0 12px' }} aria-label="Replayed" />
                )}
                {inHand.state === 'failed' && <p className="pad">It {whatIfStates.failed}; ask for it anew.</p>}
                {inHand.state === 'stopped' && <p className="pad">It was stopped before it was done.</p>}
                {inHand.state === 'done' && (
                  <>
                    <WhatIfColumns shown={shown} onWorkings={workings} />
                    <Told of={inHand} onWorkings={() => workings(inHand)} />
                    <Most id={inHand.id} onOpen={setCode} />
                  </>
                )}
              </section>
            </div>
          ) : (
            <p className="card pad muted">
              Nothing was tried out yet. With M other terms, charges, reminders, limits or check rules are replayed over
              a period that is past, beside what happened.
            </p>
          )
        }
      </Loaded>
      {making && (
        <NewWhatIf
          like={making.like}
          onMade={(id) => {
            setMaking(undefined);
            change({ id: `${id}`, beside: '' });
          }}
          onClose={() => setMaking(undefined)}
        />
      )}
      {code && inHand && <ReplayedAccount id={inHand.id} code={code} onClose={() => setCode(undefined)} />}
      {applying && inHand && (
        <ChangeMany within={inHand.within} start={applying} onClose={() => setApplying(undefined)} />
      )}
    </div>
  );
}

/** What can be done with a what-if. */
function Acts({
  of,
  onApply,
  onLike,
  onStop,
  onDrop,
}: {
  of: WhatIfView;
  onApply: (what: Apply) => void;
  onLike: () => void;
  onStop: () => void;
  onDrop: () => void;
}) {
  const may = useMay();
  const parts = appliable(of);
  return (
    <span className="row-gap">
      {may('controller') && of.state === 'atWork' && <Button onClick={onStop}>Stop</Button>}
      {may('controller') && of.state === 'done' && parts.length > 0 && (
        <Dropdown
          trigger={['click']}
          menu={{
            items: parts.map((p) => ({ key: p.field, label: p.label })),
            onClick: ({ key }) => {
              const part = parts.find((p) => p.field === key);
              if (part) onApply(part);
            },
          }}
        >
          <Button>Apply …</Button>
        </Dropdown>
      )}
      {may('controller') && <Button onClick={onLike}>Another like it</Button>}
      {may('controller') && <Button onClick={onDrop}>Drop</Button>}
      {of.state === 'done' && (
        <TakeOut
          what="These accounts"
          path={`/api/what-ifs/${of.id}/file`}
          query={{ of: `${of.id}` }}
          report="whatIf"
        />
      )}
    </span>
  );
}

/** What it takes for granted, and what it left as people decided it. */
const Told = ({ of, onWorkings }: { of: WhatIfView; onWorkings: () => void }) => (
  <p className="muted small pad" style={{ margin: 0 }}>
    {of.assumptions.join(' ')} {of.byHand > 0 && `${of.byHand} decisions by hand are kept. `}
    {of.withoutRate.length > 0 && `Without ${of.withoutRate.join(', ')}: there is no exchange rate. `}
    {of.unexplained > 0 && (
      <b>{of.unexplained} lines are not what the accounts’ own rules give; they come first below. </b>
    )}
    <button type="button" className="linkish" onClick={onWorkings}>
      Workings <kbd>W</kbd>
    </button>
  </p>
);

function Most({ id, onOpen }: { id: number; onOpen: (code: string) => void }) {
  const query = useQuery(getWhatIfOptions({ path: { id } }));
  return (
    <Loaded query={query} what="the accounts" lines={4}>
      {(w) => <ReplayedAccounts of={w} onOpen={onOpen} />}
    </Loaded>
  );
}
