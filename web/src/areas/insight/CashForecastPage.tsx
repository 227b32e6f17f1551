import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import type { CashForecastView } from '../../api/generated';
import { getCashForecastOptions } from '../../api/generated/@tanstack/react-query.gen';
import { day, shortDay } from '../../format/dates';
import { money, moneyOrDash, withCurrency } from '../../format/money';
import { Loaded } from '../../shell/Loaded';
import { useAddress } from '../../shell/useAddress';
import { Grid } from '../../table/Grid';
import { useListKeys } from '../../table/useListKeys';
import { DayPick } from './DayPick';
import { ageingQuery } from './ageingQuery';
import { CashBand } from './CashBand';
import { ExpectedCash, type CashPart } from './ExpectedCash';
import { ScopeChip } from './ScopeChip';
import { TakeOut } from './TakeOut';

/** The cash expected week by week, how sure it is, and how the forecast of four weeks ago did. */
export function CashForecastPage() {
  const { search, change } = useAddress();
  const within = search.get('within') ?? '';
  const asked = ageingQuery({ asOf: search.get('asOf') ?? '', within });
  const forecast = useQuery({ ...getCashForecastOptions({ query: asked }), placeholderData: keepPreviousData });
  const [part, setPart] = useState<CashPart>();
  const weeks = forecast.data?.weeks ?? [];
  const ofWeek = (i: number, certainty?: CashPart['certainty']): CashPart => ({
    title: `${day(weeks[i]?.from)} to ${day(weeks[i]?.to)}`,
    week: i + 1,
    certainty,
  });
  const { at } = useListKeys(weeks.length, (i) => ({ Enter: () => setPart(ofWeek(i)) }));
  return (
    <div className="insight-part">
      <div className="row-between">
        <div className="row-gap">
          <DayPick label="As at" none="As at today" value={asked.asOf} onChange={(d) => change({ asOf: d })} />
          <ScopeChip within={within} onClear={() => change({ within: '' })} />
        </div>
        <TakeOut what="This forecast" path="/api/cash-forecast/file" query={asked} report="cashForecast" />
      </div>
      <Loaded query={forecast} what="the forecast" lines={10}>
        {(f) => (
          <>
            <CashBand forecast={f} onWeek={(i) => setPart(ofWeek(i))} />
            <div className="forecast-lists">
              <div className="card side">
                <Grid
                  label="Cash expected"
                  rows={f.weeks}
                  keyOf={(w) => w.from}
                  rowClass={(_, i) => (i === at ? 'on' : undefined)}
                  columns={[
                    { title: 'Week', className: 'nowrap', cell: (w) => `${shortDay(w.from)} to ${day(w.to)}` },
                    ...(['promised', 'usual', 'late'] as const).map((certainty) => ({
                      title: { promised: 'Promised', usual: 'As usual', late: 'Late' }[certainty],
                      figure: true,
                      cell: (w: CashForecastView['weeks'][number], i: number) => (
                        <Figure amount={moneyOrDash(w[certainty])} onOpen={() => setPart(ofWeek(i, certainty))} />
                      ),
                    })),
                    {
                      title: `Expected, ${f.currency}`,
                      figure: true,
                      className: 'strong',
                      cell: (w, i) => <Figure amount={moneyOrDash(w.sum)} onOpen={() => setPart(ofWeek(i))} />,
                    },
                  ]}
                />
              </div>
              <div className="forecast-beside">
                <section className="card pad">
                  <h2>In all</h2>
                  <dl className="figures">
                    <dt>Thirteen weeks</dt>
                    <dd>{withCurrency(f.expected, f.currency)}</dd>
                    <dt>Later</dt>
                    <dd>{money(f.later)}</dd>
                    <dt>In dispute</dt>
                    <dd>
                      <Figure
                        amount={money(f.disputed)}
                        onOpen={() => setPart({ title: 'In dispute', certainty: 'disputed' })}
                      />
                    </dd>
                    <dt>Handed over</dt>
                    <dd>
                      <Figure
                        amount={money(f.handedOver)}
                        onOpen={() => setPart({ title: 'Handed over', certainty: 'handedOver' })}
                      />
                    </dd>
                  </dl>
                  <p className="muted small">
                    As shown on {day(f.asOf)}. As usual: the due date and the customer’s own average days late. Late:
                    later than that already, expected after as long again and a week at least.
                    {f.withoutRate.length > 0 && ` Without ${f.withoutRate.join(', ')}: there is no exchange rate.`}
                  </p>
                </section>
                <section className="card pad">
                  <h2>The forecast of four weeks ago</h2>
                  <Grid
                    label="The forecast of four weeks ago"
                    rows={f.former}
                    keyOf={(w) => w.from}
                    columns={[
                      { title: 'Week', className: 'nowrap', cell: (w) => `${shortDay(w.from)} to ${shortDay(w.to)}` },
                      { title: 'Expected', figure: true, cell: (w) => money(w.expected) },
                      { title: 'Came', figure: true, className: 'strong', cell: (w) => money(w.came) },
                    ]}
                  />
                </section>
              </div>
            </div>
          </>
        )}
      </Loaded>
      {part && <ExpectedCash part={part} query={asked} onClose={() => setPart(undefined)} />}
    </div>
  );
}

const Figure = ({ amount, onOpen }: { amount: string; onOpen: () => void }) =>
  amount === '—' ? (
    amount
  ) : (
    <button type="button" className="figure-link" onClick={onOpen}>
      {amount}
    </button>
  );
