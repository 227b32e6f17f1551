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

const parts: Record<MailedReport, string> = {
  ageing: 'ageing',
  measures: 'measures',
  leakage: 'leakage',
  cashForecast: 'cash',
  provision: 'provision',
};

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
                'None goes out by itself yet. Choose “by e-mail on a schedule” under Export of an ageing, of measures, ' +
                'of the leakage, the cash forecast or the provision.'
              }
              columns={[
                {
                  title: 'View',
                  cell: (v) => (
                    <>
                      <Link className="strong" to={`/insight/${parts[v.report]}?${v.query}`}>
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
