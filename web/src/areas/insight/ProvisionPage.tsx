import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { Button } from 'antd';
import { useState } from 'react';
import { getProvisionOptions, listProvisionMatricesOptions } from '../../api/generated/@tanstack/react-query.gen';
import { bucketName } from '../../drawings/ages';
import { day, moment } from '../../format/dates';
import { money, signed, withCurrency } from '../../format/money';
import { useKeys } from '../../shell/keys';
import { lazyDialog } from '../../shell/lazily';
import { Loaded } from '../../shell/Loaded';
import { useMay } from '../../shell/session';
import { useAddress } from '../../shell/useAddress';
import { Grid } from '../../table/Grid';
import { useWorkings } from '../../workings/Workings';
import { DayPick } from './DayPick';
import { ageingQuery } from './ageingQuery';
import { namesOf } from './matrixAges';
import { TakeOut } from './TakeOut';

const NewMatrix = lazyDialog(() => import('./NewMatrix').then((m) => m.NewMatrix));

/** The credit loss that is expected of receivables on any day, and the rates by which it is, by date. */
export function ProvisionPage() {
  const { search, change } = useAddress();
  const may = useMay();
  const show = useWorkings();
  const [adding, setAdding] = useState(false);
  const asked = ageingQuery({ asOf: search.get('asOf') ?? '', since: search.get('since') ?? '' });
  const provision = useQuery({ ...getProvisionOptions({ query: asked }), placeholderData: keepPreviousData });
  const matrices = useQuery(listProvisionMatricesOptions());
  const p = provision.data;
  const workings = () => p && show({ title: `Expected credit loss on ${day(p.asOf)}`, workings: p.workings });
  useKeys({ w: () => workings(), m: () => may('manager') && setAdding(true) });
  return (
    <div className="insight-part provision">
      <div className="row-between">
        <div className="row-gap">
          <DayPick label="As at" none="As at today" value={asked.asOf} onChange={(d) => change({ asOf: d })} />
          <DayPick label="Compare with" value={asked.since} onChange={(d) => change({ since: d })} />
        </div>
        <span className="row-gap">
          {may('manager') && (
            <Button onClick={() => setAdding(true)}>
              New rates <kbd>M</kbd>
            </Button>
          )}
          <TakeOut what="This provision" path="/api/provision/file" query={asked} report="provision" />
        </span>
      </div>
      <Loaded query={provision} what="the provision" lines={6}>
        {(of) => (
          <section className="card">
            <Grid
              label="Expected credit loss"
              rows={of.lines}
              keyOf={(l) => l.bucket}
              empty={
                'No rates hold on this day. Give the rates of a provision matrix with M: ' +
                'what is expected to be lost of what is not due, and of each age.'
              }
              columns={[
                { title: 'Age', cell: (l) => bucketName(l.bucket) },
                { title: `Receivables in ${of.currency}`, figure: true, cell: (l) => money(l.gross) },
                { title: 'Rate', figure: true, cell: (l) => `${l.rate} %` },
                { title: 'Expected loss', figure: true, className: 'strong', cell: (l) => money(l.loss) },
              ]}
            />
            {of.lines.length > 0 && (
              <p className="provision-sum">
                <span>
                  Receivables <b>{withCurrency(of.gross, of.currency)}</b>
                </span>
                <span>
                  Expected credit loss <b>{withCurrency(of.loss, of.currency)}</b>
                </span>
                {of.change !== null && (
                  <span>
                    Change since {day(of.since)} <b>{signed(of.change)}</b>
                  </span>
                )}
                <span className="muted small">
                  As shown on {day(of.asOf)}, by the rates from {day(of.from)} on.{' '}
                  {of.withoutRate.length > 0 && `Without ${of.withoutRate.join(', ')}: there is no exchange rate. `}
                  <button type="button" className="linkish" onClick={workings}>
                    Workings <kbd>W</kbd>
                  </button>
                </span>
              </p>
            )}
          </section>
        )}
      </Loaded>
      <section className="card provision-rates">
        <h2>Rates by date</h2>
        <Loaded query={matrices} what="the rates" lines={3}>
          {(all) => (
            <Grid
              label="Rates by date"
              rows={all}
              keyOf={(m) => m.id}
              empty="None were given yet."
              columns={[
                { title: 'From', className: 'nowrap strong', cell: (m) => day(m.from) },
                {
                  title: 'Rates in percent',
                  cell: (m) =>
                    namesOf(m.upTo)
                      .map((age, i) => `${age}: ${m.rates[i]}`)
                      .join('  ·  '),
                },
                { title: 'Reason', className: 'muted small', cell: (m) => m.reason },
                { title: 'By', className: 'nowrap', cell: (m) => m.madeBy },
                { title: 'At', className: 'nowrap muted small', cell: (m) => moment(m.madeAt) },
              ]}
            />
          )}
        </Loaded>
      </section>
      {adding && p && <NewMatrix last={matrices.data?.[0]} today={p.asOf} onClose={() => setAdding(false)} />}
    </div>
  );
}
