import { useQuery } from '@tanstack/react-query';
import { Button } from 'antd';
import { Link } from 'react-router-dom';
import { ofMailedViews } from '../../api/changes';
import { dropMailedView, sendMailedView, type MailedReport, type MailedViewView } from '../../api/generated';
import { listMailedViewsOptions } from '../../api/generated/@tanstack/react-query.gen';
import { answer } from '../../api/problem';
import { useAct } from '../../form/useAct';
import { day } from '../../format/dates';
import { Loaded } from '../../shell/Loaded';
import { useMay } from '../../shell/session';
import { Grid } from '../../table/Grid';
import { mailedReports } from '../../words/insight';
import { rhythms, weekdays } from '../../words/runs';

const parts: Record<MailedReport, (query: string, of: string) => string> = {
  ageing: (query) => `/insight/ageing?${query}`,
  measures: (query) => `/insight/measures?${query}`,
  leakage: (query) => `/insight/leakage?${query}`,
  cashForecast: (query) => `/insight/cash?${query}`,
  provision: (query) => `/insight/provision?${query}`,
  overview: (_, of) => `/accounts/${of}`,
  statement: (_, of) => `/accounts/${of}`,
  groupStatement: (_, of) => `/groups/${of}`,
  whatIf: (_, of) => `/insight/what-if?id=${of}`,
};

const to = (v: MailedViewView) =>
  parts[v.report](v.query, encodeURIComponent(new URLSearchParams(v.query).get('of') ?? ''));

const when = (v: MailedViewView) =>
  v.rhythm === 'daily'
    ? rhythms.daily
    : v.rhythm === 'weekly'
      ? `every ${weekdays[v.number - 1]}`
      : `${rhythms.monthly} ${v.number}`;

/** The views that go out by e-mail by themselves. */
export function MailedPage() {
  const may = useMay();
  const act = useAct(ofMailedViews);
  const query = useQuery(listMailedViewsOptions());
  return (
    <div className="insight-part">
      <p className="muted small" style={{ margin: 0 }}>
        Each is made anew, of the day on which it goes, and goes through the outbox.
      </p>
      <Loaded query={query} what="the mailed views" lines={4}>
        {(views) => (
          <section className="card side">
            <Grid
              label="Mailed views"
              rows={views}
              keyOf={(v) => v.id}
              empty={
                'None goes out by itself yet. Choose “by e-mail on a schedule” under Export of what you look at: a page of ' +
                'Insight, an account’s overview or statement, or a group’s statement.'
              }
              columns={[
                {
                  title: 'View',
                  cell: (v) => (
                    <>
                      <Link className="strong" to={to(v)}>
                        {v.name}
                      </Link>{' '}
                      <span className="muted small">{mailedReports[v.report]}</span>
                    </>
                  ),
                },
                { title: 'As', cell: (v) => v.format.toUpperCase() },
                { title: 'When', className: 'nowrap', cell: when },
                { title: 'To', className: 'small', cell: (v) => v.recipients },
                { title: 'Went last', className: 'nowrap', cell: (v) => (v.lastOn ? day(v.lastOn) : '—') },
                { title: 'By', className: 'nowrap muted small', cell: (v) => v.madeBy },
                may('manager') && {
                  hidden: 'What can be done',
                  className: 'nowrap',
                  cell: (v) => (
                    <span className="row-gap">
                      <Button
                        size="small"
                        onClick={() =>
                          void act(() => answer(sendMailedView({ path: { id: v.id } })), `${v.name} is in the outbox.`)
                        }
                      >
                        Send now
                      </Button>
                      <Button
                        size="small"
                        onClick={() => void act(() => answer(dropMailedView({ path: { id: v.id } })))}
                      >
                        Drop
                      </Button>
                    </span>
                  ),
                },
              ]}
            />
          </section>
        )}
      </Loaded>
    </div>
  );
}
