import { useQuery } from '@tanstack/react-query';
import { Button, Input, Popover, Select } from 'antd';
import { DayInput } from '../../form/DayInput';
import dayjs from 'dayjs';
import { useState } from 'react';
import { listGroupsOptions } from '../../api/generated/@tanstack/react-query.gen';
import type { PromiseState } from '../../api/generated';
import { useCompany } from '../../api/queries';
import { day, iso } from '../../format/dates';
import { choices, plain, plainChoices } from '../../form/options';
import { accountStates } from '../../words/limits';
import { conditions, type BoardView, type Condition } from './boardQuery';
import { promiseStates } from '../../words/promises';

const names: Record<Condition, string> = {
  owner: 'Owner',
  group: 'Group',
  state: 'State',
  utilisationFrom: 'Used from %',
  utilisationTo: 'Used to %',
  overdueFrom: 'Overdue from',
  ageFrom: 'Oldest from, days',
  reviewBy: 'Review by',
  promise: 'Promise',
  field: 'Field',
};

/** Conditions that combine: all of them must hold. Those in force stand as chips that can be taken off. */
export function BoardFilters({
  view,
  owners,
  onChange,
}: {
  view: BoardView;
  owners: string[];
  onChange: (next: Record<string, string>) => void;
}) {
  const [open, setOpen] = useState(false);
  const groups = useQuery({ ...listGroupsOptions(), enabled: open });
  const company = useCompany();
  const set = (key: Condition) => (value: string) => onChange({ [key]: value });
  const number = (key: Condition) => (
    <Input
      aria-label={names[key]}
      inputMode="decimal"
      className="figure"
      defaultValue={view[key]}
      key={`${key} ${view[key] ?? ''}`}
      onBlur={(e) => e.target.value !== (view[key] ?? '') && set(key)(plain(e.target.value))}
      onPressEnter={(e) => set(key)(plain((e.target as HTMLInputElement).value))}
    />
  );
  const select = (key: Condition, options: { value: string; label: string }[]) => (
    <Select
      aria-label={names[key]}
      allowClear
      showSearch
      style={{ width: '100%' }}
      value={view[key] ?? null}
      options={options}
      onChange={(v: string | null) => set(key)(v ?? '')}
    />
  );
  const fields = company.data?.customerFields ?? [];
  // Keys hold no colon; values may.
  const [fieldKey = '', ...rest] = (view.field ?? '').split(':');
  const fieldValue = rest.join(':');
  const form = (
    <div style={{ width: 420 }} className="ties" role="group" aria-label="Conditions">
      <label>
        Owner
        {select('owner', plainChoices(owners))}
      </label>
      <label>
        Group
        {select(
          'group',
          (groups.data ?? []).map((g) => ({ value: g.name, label: g.name })),
        )}
      </label>
      <label>
        State
        {select('state', [...choices(accountStates), { value: 'watch,stop', label: 'Watch or stop' }])}
      </label>
      <label>
        Promise
        {select(
          'promise',
          choices(promiseStates).filter(({ value }) => value !== 'withdrawn'),
        )}
      </label>
      <label>Used from, %{number('utilisationFrom')}</label>
      <label>Used to, %{number('utilisationTo')}</label>
      <label>Overdue from{number('overdueFrom')}</label>
      <label>Oldest item from, days{number('ageFrom')}</label>
      <label>
        Review by
        <DayInput
          style={{ width: '100%' }}
          value={view.reviewBy ? dayjs(view.reviewBy) : null}
          onChange={(d) => set('reviewBy')(iso(d))}
        />
      </label>
      {fields.length > 0 && (
        <label>
          Company’s own field
          <span style={{ display: 'flex', gap: 4 }}>
            <Select
              aria-label="Which field"
              allowClear
              style={{ flex: 1 }}
              value={fieldKey || null}
              options={fields.map((f) => ({ value: f.key ?? '', label: f.name ?? '' }))}
              onChange={(v: string | null) => set('field')(v ? `${v}:${fieldValue}` : '')}
            />
            <Input
              aria-label="Its value"
              style={{ flex: 1 }}
              key={`field ${view.field ?? ''}`}
              defaultValue={fieldValue}
              disabled={!fieldKey}
              onBlur={(e) =>
                fieldKey && e.target.value !== fieldValue && set('field')(`${fieldKey}:${e.target.value.trim()}`)
              }
              onPressEnter={(e) => set('field')(`${fieldKey}:${(e.target as HTMLInputElement).value.trim()}`)}
            />
          </span>
        </label>
      )}
    </div>
  );
  return (
    <>
      <Popover open={open} onOpenChange={setOpen} trigger="click" placement="bottomLeft" content={form}>
        <Button>Conditions</Button>
      </Popover>
      {conditions
        .filter((c) => view[c])
        .map((c) => (
          <button
            key={c}
            type="button"
            className="linkish small"
            aria-label={`Take off ${names[c]}`}
            onClick={() => onChange({ [c]: '' })}
          >
            {names[c]}{' '}
            {c === 'reviewBy' ? day(view[c]) : c === 'promise' ? promiseStates[view[c] as PromiseState] : view[c]} ×
          </button>
        ))}
    </>
  );
}
