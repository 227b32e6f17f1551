import { useQuery } from '@tanstack/react-query';
import { Alert, App, Button, Form, Input, Modal, Select } from 'antd';
import { useState } from 'react';
import { Link, useParams } from 'react-router-dom';
import { changeGroup, getGroup, listGroups, type GroupRow } from '../../api/generated';
import { answer, asProblem } from '../../api/problem';
import { useChoices, useCompany } from '../../api/queries';
import { CourseChart, CourseLegend } from '../../drawings/CourseChart';
import { AgeLegend, LimitBar } from '../../drawings/LimitBar';
import { day } from '../../format/dates';
import { isNegative, money, size, withCurrency } from '../../format/money';
import { useKeys } from '../../shell/keys';
import { useWorkings } from '../../workings/Workings';
import { useMay } from '../users/useSession';
import { ChangeLimit } from './actions/ChangeLimit';
import { Forecast } from './Forecast';
import { LimitHistory } from './LimitHistory';
import { ProblemNote } from './ProblemNote';
import { Requests } from './Requests';
import { useSend } from './useSend';

/** A group: its accounts together against its own limit. */
export function GroupPage() {
  const { name = '' } = useParams();
  const { data, isError, error } = useQuery({
    queryKey: ['group', name],
    queryFn: () => answer(getGroup({ path: { name } })),
  });
  const company = useCompany();
  const may = useMay();
  const show = useWorkings();
  const [action, setAction] = useState<'limit' | 'record' | null>(null);
  const workings = () => data && show({ title: `Exposure of ${data.group.name}`, workings: data.workings });
  useKeys({ w: () => void workings(), ...(may('controller') ? { l: () => setAction('limit') } : {}) });
  if (isError)
    return (
      <div className="page">
        <Alert type="error" showIcon title={asProblem(error).title} description={asProblem(error).detail} />
      </div>
    );
  if (!data || !company.data) return <div className="page muted">Loading {name} …</div>;
  const g = data.group;
  const over = isNegative(g.headroom);
  return (
    <div className="page">
      <div className="headline">
        <h1>{g.name}</h1>
        <span className="muted">
          group of {g.accounts} accounts, in {g.currency}
          {g.parent ? (
            <>
              {' '}
              · part of <Link to={`/groups/${encodeURIComponent(g.parent)}`}>{g.parent}</Link>
            </>
          ) : (
            ''
          )}
        </span>
        {g.reviewLapsed && <span className="badge stop">Review lapsed {day(g.reviewOn)}</span>}
        {may('controller') && (
          <div className="actions">
            <Button size="small" type="primary" onClick={() => setAction('limit')}>
              Limit<kbd>L</kbd>
            </Button>
            <Button size="small" onClick={() => setAction('record')}>
              Currency and parent
            </Button>
          </div>
        )}
      </div>
      {g.missing.length > 0 && (
        <Alert
          type="error"
          showIcon
          style={{ marginBottom: 8 }}
          title={`There is no rate of the day for ${g.missing.join(', ')}`}
          description="The accounts in it are not in the sum. Bring the rates up to date under Policies, Exchange rates."
        />
      )}
      <div style={{ display: 'grid', gridTemplateColumns: 'minmax(0,1fr) auto', gap: 16, alignItems: 'center' }}>
        <LimitBar row={g} large />
        <div className="figure">
          <div className={`strong${over && g.hasLimit ? ' alarm' : ''}`} style={{ fontSize: 19 }}>
            {!g.hasLimit
              ? 'No limit of its own'
              : over
                ? `Over by ${withCurrency(size(g.headroom).replaceAll(',', ''), g.currency)}`
                : `${withCurrency(g.headroom, g.currency)} left`}
          </div>
          <button type="button" className="linkish muted small" onClick={() => void workings()}>
            {money(g.exposure)} exposed · limit {money(g.effectiveLimit)}
          </button>
        </div>
      </div>
      <AgeLegend buckets={g.ageing.map((a) => a.bucket)} />
      <Requests requests={data.requests} />
      <div className="card pad" style={{ margin: '10px 0' }}>
        <table className="grid" aria-label="Accounts of the group">
          <thead>
            <tr>
              <th>Account</th>
              <th>Against its own limit</th>
              <th className="figure">Exposure</th>
              <th className="figure">In {g.currency}</th>
              <th className="figure">Overdue</th>
            </tr>
          </thead>
          <tbody>
            {data.members.map(({ position: p, exposure }) => (
              <tr key={p.code}>
                <td>
                  <Link to={`/accounts/${encodeURIComponent(p.code)}`}>{p.name}</Link>
                  <div className="muted small">
                    {p.code}
                    {p.group !== g.name ? ` · ${p.group}` : ''}
                  </div>
                </td>
                <td style={{ width: '36%' }}>
                  <LimitBar row={p} />
                </td>
                <td className="figure">
                  {money(p.exposure)} <span className="muted small">{p.currency}</span>
                </td>
                <td className="figure">{exposure ? money(exposure) : 'no rate'}</td>
                <td className="figure">{money(p.overdue)}</td>
              </tr>
            ))}
          </tbody>
        </table>
        {g.accounts > data.members.length && (
          <p className="muted small">
            The {data.members.length} accounts with the largest exposure, of {g.accounts}.{' '}
            <Link to={`/accounts?group=${encodeURIComponent(g.name)}`}>See all on the board</Link>
          </p>
        )}
      </div>
      <div className="card pad cards halves" style={{ margin: '0 0 10px' }}>
        <section aria-label="Course of limit and exposure">
          <h2>The last 18 months</h2>
          <CourseChart course={data.course} label="Course" />
          <CourseLegend />
        </section>
        <Forecast
          forecast={data.forecast}
          hasLimit={g.hasLimit}
          heading="h2"
          note="Each account by its own forecast, at the rates of today."
        />
      </div>
      <div className="card pad">
        <LimitHistory history={data.history} group={g.name} />
      </div>
      {action === 'limit' && (
        <ChangeLimit
          holder={{ group: g.name, name: g.name, currency: g.currency, limit: g.limit, exposure: g.exposure }}
          today={company.data.businessDate}
          onClose={() => setAction(null)}
        />
      )}
      {action === 'record' && <Record group={g} onClose={() => setAction(null)} />}
    </div>
  );
}

function Record({ group, onClose }: { group: GroupRow; onClose: () => void }) {
  const [form] = Form.useForm<{ currency: string; parent: string; reason: string }>();
  const { send, busy, problem } = useSend(form);
  const { message } = App.useApp();
  const choices = useChoices();
  const groups = useQuery({ queryKey: ['groups', ''], queryFn: () => answer(listGroups()) });
  const save = async (body: { currency: string; parent: string; reason: string }) => {
    const done = await send(() =>
      answer(
        changeGroup({
          path: { name: group.name },
          headers: { 'If-Match': `"${group.version}"` },
          body: { ...body, parent: body.parent ?? '' },
        }),
      ),
    );
    if (!done) return;
    void message.success('The group is changed.');
    onClose();
  };
  return (
    <Modal open title={group.name} footer={null} onCancel={onClose} width={460}>
      <Form
        form={form}
        layout="vertical"
        initialValues={{ currency: group.currency, parent: group.parent, reason: '' }}
        onFinish={(v) => void save(v)}
      >
        <ProblemNote problem={problem} />
        <Form.Item name="currency" label="Currency of its limit">
          <Select showSearch options={choices.data?.currencies.map((value) => ({ value }))} />
        </Form.Item>
        <Form.Item name="parent" label="Part of">
          <Select
            allowClear
            options={[
              { value: '', label: 'no other group' },
              ...(groups.data ?? []).map((x) => ({ value: x.name, label: x.name })),
            ]}
          />
        </Form.Item>
        <Form.Item name="reason" label="Reason">
          <Input autoComplete="off" />
        </Form.Item>
        <Button type="primary" htmlType="submit" loading={busy}>
          Save
        </Button>
      </Form>
    </Modal>
  );
}
