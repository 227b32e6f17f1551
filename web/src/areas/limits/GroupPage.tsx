import { useQuery } from '@tanstack/react-query';
import { Alert } from 'antd';
import { useState } from 'react';
import { useParams } from 'react-router-dom';
import type { GroupView } from '../../api/generated';
import { getGroupOptions } from '../../api/generated/@tanstack/react-query.gen';
import { useCompany } from '../../api/queries';
import { CourseChart, CourseLegend } from '../../drawings/CourseChart';
import { AgeLegend } from '../../drawings/LimitBar';
import { useKeys } from '../../shell/keys';
import { lazyDialog } from '../../shell/lazily';
import { Loaded } from '../../shell/Loaded';
import { useMay } from '../../shell/session';
import { useWorkings } from '../../workings/Workings';
import { GroupStatement } from '../insight';
import { ChangeLimit } from './ChangeLimit';
import { Forecast } from './Forecast';
import { GroupHead } from './GroupHead';
import { GroupMembers } from './GroupMembers';
import { LimitHistory } from './LimitHistory';
import { Requests } from './Requests';

const ChangeGroup = lazyDialog(() => import('./ChangeGroup').then((m) => m.ChangeGroup));

/** A group: its accounts together against its own limit. */
export function GroupPage() {
  const { name = '' } = useParams();
  const query = useQuery(getGroupOptions({ path: { name } }));
  return (
    <div className="page">
      <Loaded query={query} what={`group ${name}`} lines={12}>
        {(view) => <OneGroup view={view} />}
      </Loaded>
    </div>
  );
}

function OneGroup({ view }: { view: GroupView }) {
  const { group: g } = view;
  const company = useCompany();
  const may = useMay();
  const show = useWorkings();
  const [action, setAction] = useState<'limit' | 'record' | null>(null);
  const workings = () => show({ title: `Exposure of ${g.name}`, workings: view.workings });
  useKeys({ w: workings, ...(may('controller') ? { l: () => setAction('limit') } : {}) });
  return (
    <>
      <GroupHead group={g} onAction={setAction} onExposure={workings} />
      {g.missing.length > 0 && (
        <Alert
          type="error"
          showIcon
          style={{ marginBottom: 8 }}
          title={`There is no rate of the day for ${g.missing.join(', ')}`}
          description="The accounts in it are not in the sum. Bring the rates up to date under Policies, Exchange rates."
        />
      )}
      <AgeLegend buckets={g.ageing.map((a) => a.bucket)} />
      <Requests requests={view.requests} />
      <GroupMembers group={g} members={view.members} />
      <GroupStatement name={g.name} />
      <div className="card pad cards halves" style={{ margin: '0 0 10px' }}>
        <section aria-label="Course of limit and exposure">
          <h2>The last 18 months</h2>
          <CourseChart course={view.course} label="Course" />
          <CourseLegend />
        </section>
        <Forecast
          forecast={view.forecast}
          hasLimit={g.hasLimit}
          heading="h2"
          note="Each account by its own forecast, at the rates of today."
        />
      </div>
      <div className="card pad">
        <LimitHistory history={view.history} of={{ group: g.name }} />
      </div>
      {action === 'limit' && company.data && (
        <ChangeLimit
          holder={{ group: g.name, name: g.name, currency: g.currency, limit: g.limit, exposure: g.exposure }}
          today={company.data.businessDate}
          onClose={() => setAction(null)}
        />
      )}
      {action === 'record' && <ChangeGroup group={g} onClose={() => setAction(null)} />}
    </>
  );
}
