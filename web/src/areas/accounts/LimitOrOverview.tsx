import { Segmented } from 'antd';
import { useState } from 'react';
import type { AccountPage } from '../../api/generated';
import { Overview } from '../insight';
import { Limits } from '../limits';

/** The history of the limit, or all that a committee looks at before it decides on one. */
export function LimitOrOverview({ page }: { page: AccountPage }) {
  const [overview, setOverview] = useState(false);
  return (
    <>
      <div className="pad" style={{ paddingBottom: 0 }}>
        <Segmented
          aria-label="Limit or overview"
          value={overview ? 'overview' : 'limit'}
          onChange={(v) => setOverview(v === 'overview')}
          options={[
            { value: 'limit', label: 'Limit' },
            { value: 'overview', label: 'Overview of twelve months' },
          ]}
        />
      </div>
      {overview ? <Overview code={page.account.code} /> : <Limits page={page} />}
    </>
  );
}
