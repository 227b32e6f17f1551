import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { useCallback, useState } from 'react';
import type { OverviewView } from '../../api/generated';
import { getOverviewOptions } from '../../api/generated/@tanstack/react-query.gen';
import { axis, Chart, legend, pointed, type Colours } from '../../drawings/Chart';
import { day } from '../../format/dates';
import { money, oneDecimal, percent, withCurrency } from '../../format/money';
import { Loaded } from '../../shell/Loaded';
import { ChangesTable } from '../../table/ChangesTable';
import { download, ExportMenu } from '../../table/ExportMenu';
import { Grid } from '../../table/Grid';
import { accountStates, suggestionMethods } from '../../words/limits';
import { useWorkings } from '../../workings/Workings';
import { Charted } from './Charted';
import { DayPick } from './DayPick';
import { MeasuredDocuments } from './MeasuredDocuments';
import { useMailing } from './useMailing';

/** An account as a credit committee looks at it; one page of it can be printed. */
export function Overview({ code }: { code: string }) {
  const [since, setSince] = useState('');
  const query = useQuery({
    ...getOverviewOptions({ path: { code }, query: since ? { since } : {} }),
    placeholderData: keepPreviousData,
  });
  const file = `/api/accounts/${encodeURIComponent(code)}/overview/file${since ? `?since=${since}` : ''}`;
  const mailing = useMailing('overview', { of: code }, 'This page');
  return (
    <Loaded query={query} what="the overview" lines={10}>
      {(o) => (
        <div className="overview">
          <div className="row-between">
            <DayPick label="Compare with" none="Since its last limit" value={since} onChange={setSince} />
            <ExportMenu items={[download('pdf', file, 'One page for the committee, to print'), ...mailing.entries]} />
            {mailing.dialog}
          </div>
          <Months of={o} />
          <div className="overview-parts">
            <ThenAndNow of={o} />
            <Habits of={o} />
            <Suggested of={o} />
          </div>
          <section>
            <h3>Changed since {since ? day(since) : 'its limit was last set'}</h3>
            {o.changes.length === 0 ? <p className="muted">Nothing.</p> : <ChangesTable rows={o.changes} />}
          </section>
        </div>
      )}
    </Loaded>
  );
}

/** Twelve months: what was sold, where the exposure stood against the limit, and how soon was paid. */
function Months({ of }: { of: OverviewView }) {
  const option = useCallback((colour: Colours) => drawn(of, colour), [of]);
  const [month, setMonth] = useState<OverviewView['months'][number]>();
  const last = of.months.at(-1);
  return (
    <>
      <Charted
        title={`Twelve months, in ${of.currency}`}
        drawing={
          <Chart
            label={
              'Sales, exposure, limit and days to pay of twelve months; ' +
              `exposure ${money(last?.exposure)} of a limit of ${money(last?.limit)}`
            }
            height={190}
            option={option}
            onPick={(i) => setMonth(of.months[i])}
          />
        }
        table={
          <Grid
            label="Twelve months"
            rows={of.months}
            keyOf={(m) => m.to}
            columns={[
              { title: 'Month to', className: 'nowrap', cell: (m) => day(m.to) },
              {
                title: 'Sales',
                figure: true,
                cell: (m) => (
                  <button type="button" className="figure-link" onClick={() => setMonth(m)}>
                    {money(m.sales)}
                  </button>
                ),
              },
              { title: 'Exposure', figure: true, cell: (m) => money(m.exposure) },
              { title: 'Limit', figure: true, cell: (m) => money(m.limit) },
              { title: 'Paid', figure: true, cell: (m) => money(m.paid) },
              { title: 'Days to pay', figure: true, cell: (m) => oneDecimal(m.daysToPay) },
              { title: 'Days late', figure: true, cell: (m) => oneDecimal(m.daysLate) },
            ]}
          />
        }
      />
      {month && (
        <MeasuredDocuments
          title={`Sales of ${day(month.from)} to ${day(month.to)}`}
          part="sales"
          query={{ account: of.code, from: month.from, to: month.to }}
          onClose={() => setMonth(undefined)}
        />
      )}
    </>
  );
}

const ThenAndNow = ({ of: { then, now } }: { of: OverviewView }) => {
  const rows: [string, string, string][] = [
    ['Exposure', money(then.exposure), money(now.exposure)],
    ['Limit in force', money(then.limit), money(now.limit)],
    ['Used', percent(then.utilisation), percent(now.utilisation)],
    ['Overdue', money(then.overdue), money(now.overdue)],
    ['Oldest, days past due', `${then.oldestDays}`, `${now.oldestDays}`],
    ['State', accountStates[then.state], accountStates[now.state]],
  ];
  return (
    <section>
      <h3>Then and now</h3>
      <Grid
        label="Then and now"
        rows={rows}
        keyOf={(r) => r[0]}
        columns={[
          { title: 'As shown', cell: (r) => r[0] },
          { title: day(then.day), figure: true, cell: (r) => r[1] },
          { title: day(now.day), figure: true, className: 'strong', cell: (r) => r[2] },
        ]}
      />
    </section>
  );
};

const Habits = ({ of: o }: { of: OverviewView }) => {
  const promises = [o.promisesKept, o.promisesPartKept, o.promisesBroken, o.promisesWaiting];
  return (
    <section>
      <h3>How it pays, by value</h3>
      <dl className="figures">
        <dt>Sales of twelve months</dt>
        <dd>{money(o.sales)}</dd>
        <dt>Days to pay, from the invoice</dt>
        <dd>{oneDecimal(o.daysToPay)}</dd>
        <dt>Days late, from the due date</dt>
        <dd>{oneDecimal(o.daysLate)}</dd>
        <dt>Discounts used, of those offered</dt>
        <dd>
          {o.offeredItems === 0
            ? 'none offered'
            : `${o.usedItems} of ${o.offeredItems}${o.discountsShare === null ? '' : `, ${percent(o.discountsShare)}`}`}
        </dd>
        <dt>Allowed late, written off or not granted</dt>
        <dd>
          {money(o.leaked.allowedLate)}, {money(o.leaked.writtenOff)}, {money(o.leaked.notGranted)}
        </dd>
        <dt>Promises kept, in part, broken, waiting</dt>
        <dd>{promises.some((n) => n > 0) ? promises.join(', ') : 'none made'}</dd>
        <dt>Came of what was promised</dt>
        <dd>
          {money(o.promisedReceived)} of {money(o.promised)}
        </dd>
      </dl>
    </section>
  );
};

function Suggested({ of: o }: { of: OverviewView }) {
  const show = useWorkings();
  return (
    <section>
      <h3>Suggested limit</h3>
      <dl className="figures">
        {o.suggested.map((s) => (
          <div key={s.method} style={{ display: 'contents' }}>
            <dt>{suggestionMethods[s.method]}</dt>
            <dd>
              {s.amount === null ? '—' : withCurrency(s.amount, o.currency)}{' '}
              <button
                type="button"
                className="linkish muted"
                onClick={() => show({ title: `Limit suggested ${suggestionMethods[s.method]}`, workings: s.workings })}
              >
                workings
              </button>
            </dd>
          </div>
        ))}
      </dl>
    </section>
  );
}

const drawn = (of: OverviewView, colour: Colours) => ({
  tooltip: pointed(colour, (i) => {
    const m = of.months[i];
    return m
      ? [
          `<b>${day(m.to)}</b>`,
          `Sales ${money(m.sales)}`,
          `Exposure ${money(m.exposure)} of ${money(m.limit)}`,
          `Days to pay ${oneDecimal(m.daysToPay)}, late ${oneDecimal(m.daysLate)}`,
        ]
      : [];
  }),
  legend: legend(colour),
  xAxis: { type: 'category', data: of.months.map((m) => day(m.to).replace(/^\d+ /, '')), ...axis(colour) },
  yAxis: [
    { type: 'value', ...axis(colour) },
    { type: 'value', ...axis(colour), splitLine: { show: false } },
  ],
  series: [
    {
      name: 'Sales',
      type: 'bar',
      barCategoryGap: '50%',
      itemStyle: { color: colour('--hatch') },
      emphasis: { disabled: true },
      data: of.months.map((m) => Number(m.sales)),
    },
    line(
      'Exposure',
      colour('--ink'),
      'solid',
      of.months.map((m) => Number(m.exposure)),
    ),
    line(
      'Limit',
      colour('--alarm'),
      'dashed',
      of.months.map((m) => Number(m.limit)),
    ),
    {
      ...line(
        'Days to pay, at the right',
        colour('--muted'),
        'dotted',
        of.months.map((m) => (m.daysToPay === null ? null : Number(m.daysToPay))),
      ),
      yAxisIndex: 1,
    },
  ],
});

const line = (name: string, colour: string, type: string, data: (number | null)[]) => ({
  name,
  type: 'line',
  symbolSize: 5,
  itemStyle: { color: colour },
  lineStyle: { color: colour, type, width: 2 },
  emphasis: { disabled: true },
  data,
});
