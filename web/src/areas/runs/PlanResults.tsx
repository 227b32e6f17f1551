import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { Select } from 'antd';
import dayjs from 'dayjs';
import { getReminderResultsOptions, listReminderPlansOptions } from '../../api/generated/@tanstack/react-query.gen';
import { PeriodInput } from '../../form/PeriodInput';
import { iso } from '../../format/dates';
import { Loaded } from '../../shell/Loaded';
import { useAddress } from '../../shell/useAddress';
import { LetterResults } from './LetterResults';

/** What the letters of a period brought, of one plan or of all, by month and level. */
export function PlanResults({ today }: { today: string }) {
  const { search, change } = useAddress();
  const from = search.get('from') ?? iso(dayjs(today).subtract(1, 'year').add(1, 'day'));
  const to = search.get('to') ?? today;
  const plan = search.get('plan') ?? '';
  const plans = useQuery(listReminderPlansOptions());
  const query = useQuery({
    ...getReminderResultsOptions({ query: { from, to, plan: plan || undefined } }),
    placeholderData: keepPreviousData,
  });
  return (
    <div className="cash-list">
      <div className="row-gap" style={{ marginBottom: 10 }}>
        <PeriodInput
          aria-label="Period"
          value={[dayjs(from), dayjs(to)]}
          onChange={(next) => {
            change({ from: iso(next[0]), to: iso(next[1]) });
          }}
        />
        <Select
          aria-label="Reminder plan"
          value={plan}
          popupMatchSelectWidth={false}
          onChange={(v) => change({ plan: v })}
          options={[
            { value: '', label: 'all plans' },
            ...(plans.data ?? []).map((p) => ({ value: p.code, label: `${p.code}, ${p.name}` })),
          ]}
        />
        <span className="muted small">
          by the day of the letter; payments by value date, without letters that were cancelled
        </span>
      </div>
      <Loaded query={query} what="what letters brought" lines={10}>
        {({ items }) => (
          <div className="card">
            <LetterResults rows={items} monthly />
          </div>
        )}
      </Loaded>
    </div>
  );
}
