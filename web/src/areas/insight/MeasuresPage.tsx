import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { Select } from 'antd';
import { useState } from 'react';
import { useNavigate } from 'react-router-dom';
import type { AgeingKind } from '../../api/generated';
import { getMeasuresCourseOptions, listMeasuresByOptions } from '../../api/generated/@tanstack/react-query.gen';
import { day } from '../../format/dates';
import { Loaded } from '../../shell/Loaded';
import { useAddress } from '../../shell/useAddress';
import { useListKeys } from '../../table/useListKeys';
import { ageingKinds } from '../../words/insight';
import { useWorkings } from '../../workings/Workings';
import { ageingQuery } from './ageingQuery';
import { MeasureCourse } from './MeasureCourse';
import { measures } from './measures';
import { MeasuredDocuments } from './MeasuredDocuments';
import { MeasuresBy } from './MeasuresBy';
import { Period } from './Period';
import { ScopeChip } from './ScopeChip';
import { TakeOut } from './TakeOut';

const sides: AgeingKind[] = ['owner', 'group', 'customerType', 'terms', 'controlGroup', 'account'];

/** The measures of a period, the course of the one in hand over twelve months, and owners or others side by side. */
export function MeasuresPage() {
  const { search, change } = useAddress();
  const show = useWorkings();
  const within = search.get('within') ?? '';
  const by = (search.get('by') ?? 'owner') as AgeingKind;
  const asked = ageingQuery({ from: search.get('from') ?? '', to: search.get('to') ?? '', within });
  const course = useQuery({ ...getMeasuresCourseOptions({ query: asked }), placeholderData: keepPreviousData });
  const side = useQuery({
    ...listMeasuresByOptions({ query: { ...asked, by } }),
    placeholderData: keepPreviousData,
  });
  const points = course.data?.points ?? [];
  const now = points.at(-1);
  const workings = () => now && show({ title: `Measures to ${day(now.to)}`, workings: now.workings });
  const [documents, setDocuments] = useState(false);
  const go = useNavigate();
  const open = (of: number) => {
    const { made } = measures[of] ?? measures[0];
    if ('part' in made) setDocuments(true);
    else if (now)
      void go(
        `/insight/leakage?${new URLSearchParams({ ...asked, from: now.from, to: now.to, kind: made.leak }).toString()}`,
      );
  };
  const { at, setAt } = useListKeys(measures.length, (i) => ({ w: () => workings(), Enter: () => open(i) }));
  const inHand = measures[at] ?? measures[0];
  return (
    <div className="insight-part">
      <div className="row-between">
        <div className="row-gap">
          <Period from={now?.from} to={now?.to} onChange={change} />
          <ScopeChip within={within} onClear={() => change({ within: '' })} />
        </div>
        <TakeOut what="Side by side" path="/api/measures/file" query={{ ...asked, by }} report="measures" />
      </div>
      <Loaded query={course} what="the measures" lines={8}>
        {() =>
          now && (
            <div className="measures">
              <div className="card measure-list">
                <div role="listbox" aria-label="Measures">
                  {measures.map((m, i) => (
                    <button
                      key={m.key}
                      type="button"
                      role="option"
                      aria-selected={i === at}
                      className={i === at ? 'on' : undefined}
                      onClick={() => setAt(i)}
                    >
                      <span>{m.name}</span>
                      <b className="figure">{m.text(now)}</b>
                    </button>
                  ))}
                </div>
                <p className="muted small pad">
                  {now.accounts} {now.accounts === 1 ? 'account' : 'accounts'}, amounts in {now.currency}
                  {now.withoutRate.length > 0 && `, without ${now.withoutRate.join(', ')} for want of a rate`}.{' '}
                  <button type="button" className="linkish" onClick={workings}>
                    Workings <kbd>W</kbd>
                  </button>{' '}
                  <button type="button" className="linkish" onClick={() => open(at)}>
                    Documents <kbd>Enter</kbd>
                  </button>
                </p>
              </div>
              <MeasureCourse
                measure={inHand}
                points={points}
                onPoint={(p) => show({ title: `Measures ${day(p.from)} to ${day(p.to)}`, workings: p.workings })}
              />
            </div>
          )
        }
      </Loaded>
      <Loaded query={side} what="the measures side by side" lines={6}>
        {(s) => (
          <MeasuresBy
            side={s}
            title={
              <Select
                size="small"
                aria-label="Side by side"
                value={by}
                style={{ width: 180 }}
                onChange={(v) => change({ by: v })}
                options={sides.map((k) => ({
                  value: k,
                  label: `${ageingKinds[k]}s side by side`.replace('ss side', 's side'),
                }))}
              />
            }
            onOpen={(key) => change({ within: `${by}:${key}`, by: 'account' })}
            onWorkings={(of) => show({ title: of.name || of.key || 'None', workings: of.measures.workings })}
          />
        )}
      </Loaded>
      {documents && now && 'part' in inHand.made && (
        <MeasuredDocuments
          title={inHand.name}
          part={inHand.made.part}
          query={{ ...asked, from: now.from, to: now.to }}
          onClose={() => setDocuments(false)}
        />
      )}
    </div>
  );
}
