import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { Segmented, Select } from 'antd';
import { useState } from 'react';
import type { AgeingKind } from '../../api/generated';
import { getAgeingCourseOptions } from '../../api/generated/@tanstack/react-query.gen';
import { useCompany } from '../../api/queries';
import { day } from '../../format/dates';
import { money, withCurrency } from '../../format/money';
import { Failed, Loaded } from '../../shell/Loaded';
import { useAddress } from '../../shell/useAddress';
import { ageingKinds } from '../../words/insight';
import { AgeingBand } from './AgeingBand';
import { AgeingItems, type AgeingCell } from './AgeingItems';
import { DayPick } from './DayPick';
import { ageingQuery, readAgeing, useAgeing } from './ageingQuery';
import { AgeingTable } from './AgeingTable';
import { TakeOut } from './TakeOut';

/** What is open by age on any day, added up by a key, and its band through the last twelve months. */
export function AgeingPage() {
  const { search, change } = useAddress();
  const view = readAgeing(search);
  const company = useCompany().data;
  const query = ageingQuery({ ...view, field: view.by === 'field' ? view.field : '' });
  const lines = useAgeing(query);
  const { asOf, basis } = view;
  const course = useQuery({
    ...getAgeingCourseOptions({ query: ageingQuery({ asOf, basis }) }),
    placeholderData: keepPreviousData,
  });
  const [cell, setCell] = useState<AgeingCell>();
  const first = lines.data?.pages[0];
  const keys = Object.entries(ageingKinds).filter(([kind]) => kind !== 'field');
  const fields = company?.customerFields ?? [];
  const keyName =
    view.by === 'field'
      ? (fields.find((f) => f.key === view.field)?.name ?? view.field)
      : (ageingKinds[view.by as AgeingKind] ?? '');
  return (
    <div className="insight-part">
      <div className="row-between">
        <div className="row-gap">
          <Select
            aria-label="Added up by"
            value={view.by === 'field' ? `field:${view.field}` : view.by}
            style={{ width: 170 }}
            onChange={(v: string) =>
              change(v.startsWith('field:') ? { by: 'field', field: v.slice(6) } : { by: v, field: '' })
            }
            options={[
              ...keys.map(([value, label]) => ({ value, label: `By ${label.toLowerCase()}` })),
              ...fields.map((f) => ({ value: `field:${f.key}`, label: `By ${f.name?.toLowerCase() ?? f.key}` })),
            ]}
          />
          <DayPick label="As at" none="As at today" value={asOf} onChange={(d) => change({ asOf: d })} />
          <Segmented
            aria-label="Age counts from"
            value={first?.basis ?? 'due'}
            onChange={(v) => change({ basis: v })}
            options={[
              { value: 'due', label: 'From due date' },
              { value: 'invoice', label: 'From invoice date' },
            ]}
          />
          <DayPick
            label="Compare with"
            value={view.since}
            onChange={(d) => change({ since: d, sort: d ? '-change' : '' })}
          />
        </div>
        <TakeOut what="This ageing" path="/api/ageing/file" query={query} report="ageing" />
      </div>
      <Loaded query={course} what="the last twelve months" lines={4}>
        {(c) => <AgeingBand course={c} onDay={(asAt) => change({ asOf: asAt })} />}
      </Loaded>
      {lines.isError && <Failed error={lines.error} onRetry={() => void lines.refetch()} />}
      <AgeingTable
        lines={lines}
        view={view}
        query={query}
        keyName={keyName}
        onSort={(sort) => change({ sort })}
        onOpen={setCell}
      />
      {first && first.journal.length > 0 && (
        <p className="muted small ageing-foot">
          As shown on {day(first.asOf)}.{' '}
          {first.journal.every((j) => Number(j.difference) === 0)
            ? `The totals are what the journal shows on the customers’ accounts: ${first.journal
                .map((j) => withCurrency(j.journal, j.currency))
                .join(', ')}.`
            : first.journal
                .map(
                  (j) =>
                    `The journal shows ${withCurrency(j.journal, j.currency)} on the customers’ accounts, ` +
                    `${money(j.difference)} less: opened before the books began, or with a value date to come.`,
                )
                .join(' ')}
        </p>
      )}
      {cell && first && <AgeingItems cell={cell} query={query} onClose={() => setCell(undefined)} />}
    </div>
  );
}
