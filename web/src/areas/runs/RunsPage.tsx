import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { Button, Pagination, Segmented } from 'antd';
import { useState } from 'react';
import { Link, useNavigate } from 'react-router-dom';
import type { RunKind, RunView } from '../../api/generated';
import { listRunsOptions } from '../../api/generated/@tanstack/react-query.gen';
import { useCompany } from '../../api/queries';
import { day, moment } from '../../format/dates';
import { withCurrency } from '../../format/money';
import { lazyDialog } from '../../shell/lazily';
import { Loaded } from '../../shell/Loaded';
import { useMay } from '../../shell/session';
import { useAddress } from '../../shell/useAddress';
import { Grid } from '../../table/Grid';
import { useListKeys } from '../../table/useListKeys';
import { runKinds, runStates } from '../../words/runs';
import { accountsIn, isAtWork } from './counts';
import { PlanResults } from './PlanResults';

const NewRun = lazyDialog(() => import('./NewRun').then((m) => m.NewRun));
const pageSize = 50;

/** Runs of late charges and reminders, the latest first. */
export function RunsPage() {
  const { search, change } = useAddress();
  const page = Number(search.get('page') ?? 1);
  const results = search.get('view') === 'results';
  const may = useMay();
  const go = useNavigate();
  const today = useCompany().data?.businessDate;
  const asked = search.get('new');
  const [making, setMaking] = useState<RunKind | null>(
    asked === 'late-charges' || asked === 'reminders' ? asked : null,
  );
  const query = useQuery({
    ...listRunsOptions({ query: { page, pageSize } }),
    placeholderData: keepPreviousData,
    refetchInterval: (q) => (q.state.data?.items.some((r) => isAtWork(r.state)) ? 1500 : false),
  });
  const rows = query.data?.items ?? [];
  const { at } = useListKeys(rows.length, (row) => ({
    Enter: () => rows[row] && void go(`/runs/${rows[row].id}`),
    c: () => may('controller') && setMaking('late-charges'),
    m: () => may('controller') && setMaking('reminders'),
  }));
  return (
    <div className="page sheet cash-sheet">
      <div className="headline">
        <h1>Runs</h1>
        <Segmented
          aria-label="What is shown"
          value={results ? 'results' : 'runs'}
          onChange={(v) => change({ view: v === 'results' ? 'results' : '', page: '' })}
          options={[
            { value: 'runs', label: 'Runs' },
            { value: 'results', label: 'What letters brought' },
          ]}
        />
        {may('controller') && (
          <span className="actions">
            <Button onClick={() => setMaking('late-charges')}>
              Late charges <kbd>C</kbd>
            </Button>
            <Button type="primary" onClick={() => setMaking('reminders')}>
              Reminders <kbd>M</kbd>
            </Button>
          </span>
        )}
      </div>
      {results && today && <PlanResults today={today} />}
      <div className="cash-list" hidden={results}>
        <Loaded query={query} what="the runs" lines={10}>
          {({ items, total }) => (
            <div className="card">
              <Grid
                label="Runs"
                rows={items}
                keyOf={(r) => r.id}
                rowClass={(_, i) => (i === at ? 'on' : undefined)}
                empty="There was no run yet. Propose late charges or reminders: nothing is posted until you say so."
                columns={[
                  {
                    title: 'Run',
                    className: 'nowrap strong linked',
                    cell: (r) => (
                      <Link to={`/runs/${r.id}`}>
                        {runKinds[r.kind]} {r.id}
                      </Link>
                    ),
                  },
                  { title: 'Date', className: 'nowrap', cell: (r) => day(r.date) },
                  { title: 'Accounts looked at', cell: (r) => r.scope },
                  { title: 'State', className: 'nowrap', cell: (r) => <State run={r} /> },
                  { title: 'Posted', figure: true, cell: (r) => accountsIn(r, 'posted') || '—' },
                  {
                    title: 'To post',
                    figure: true,
                    cell: (r) => accountsIn(r, 'ready') + accountsIn(r, 'changed') || '—',
                  },
                  { title: 'Left out', figure: true, cell: (r) => accountsIn(r, 'leftOut') || '—' },
                  {
                    title: 'Comes to',
                    figure: true,
                    className: 'nowrap',
                    cell: (r) =>
                      Object.entries(r.totals).map(([currency, amount]) => (
                        <div key={currency}>{withCurrency(amount, currency)}</div>
                      )),
                  },
                  { title: 'By', className: 'small', cell: (r) => r.madeBy },
                  { title: 'When', className: 'nowrap small', cell: (r) => moment(r.madeAt) },
                ]}
              />
              {total > pageSize && (
                <div className="pad">
                  <Pagination
                    size="small"
                    current={page}
                    pageSize={pageSize}
                    total={total}
                    showSizeChanger={false}
                    onChange={(p) => change({ page: p > 1 ? String(p) : '' })}
                  />
                </div>
              )}
            </div>
          )}
        </Loaded>
      </div>
      {making && today && (
        <NewRun
          kind={making}
          today={today}
          filter={search.get('filter') ?? ''}
          onClose={() => {
            setMaking(null);
            change({ new: '', filter: '' });
          }}
          onDone={(id) => void go(`/runs/${id}`)}
        />
      )}
    </div>
  );
}

const State = ({ run }: { run: RunView }) => (
  <span className={run.state === 'stopped' ? 'alarm' : run.state === 'proposed' ? 'strong' : ''}>
    {runStates[run.state]}
  </span>
);
