import { useQuery } from '@tanstack/react-query';
import { Button } from 'antd';
import { ofAccount } from '../../api/changes';
import { askAgency, type AccountPage } from '../../api/generated';
import {
  getCourseOptions,
  getForecastOptions,
  suggestLimitsOptions,
} from '../../api/generated/@tanstack/react-query.gen';
import { answer } from '../../api/problem';
import { useAct } from '../../form/useAct';
import { CourseChart, CourseLegend } from '../../drawings/CourseChart';
import { day } from '../../format/dates';
import { moneyOrDash, money } from '../../format/money';
import { Loaded } from '../../shell/Loaded';
import { useMay } from '../../shell/session';
import { Lines } from '../../table/Lines';
import { sourceNames, suggestionMethods } from '../../words/limits';
import { useWorkings } from '../../workings/Workings';
import { Forecast } from './Forecast';
import { LimitHistory } from './LimitHistory';
import { Requests } from './Requests';

/** The limit of an account: its course, what is expected, what is suggested, and its history. */
export function Limits({ page }: { page: AccountPage }) {
  const code = page.account.code;
  const course = useQuery(getCourseOptions({ path: { code } }));
  const forecast = useQuery(getForecastOptions({ path: { code } }));
  const p = page.position;
  return (
    <div className="tab-part" style={{ display: 'grid', gap: 12 }}>
      <Requests requests={page.requests} />
      <div className="cards halves">
        <section aria-label="Course of limit and exposure">
          <h3>The last 18 months</h3>
          <Loaded query={course} what="the course of the limit">
            {(points) => <CourseChart course={points} label="Course" />}
          </Loaded>
          <CourseLegend />
        </section>
        <Loaded query={forecast} what="the forecast">
          {(f) => (
            <Forecast forecast={f} note={`Payments are expected ${f.averageDaysLate} days late, as on average.`} />
          )}
        </Loaded>
      </div>
      <div className="cards halves">
        <section aria-label="Basis of the limit">
          <h3>Basis of the limit</h3>
          <Lines
            lines={[
              { name: 'Source', value: sourceNames[p.source] },
              { name: 'Insured', value: moneyOrDash(p.insured) },
              {
                name: 'Review by',
                value: p.reviewOn ? `${day(p.reviewOn)}${p.reviewLapsed ? ', lapsed' : ''}` : 'no date',
                tone: p.reviewLapsed ? 'alarm' : undefined,
              },
              { name: 'Disputed', value: moneyOrDash(p.disputed) },
              { name: 'Not cleared', value: moneyOrDash(p.uncleared) },
            ]}
          />
        </section>
        <Suggested code={code} />
      </div>
      <LimitHistory history={page.history} of={{ code }} />
    </div>
  );
}

function Suggested({ code }: { code: string }) {
  const show = useWorkings();
  const may = useMay();
  const act = useAct(ofAccount(code));
  const query = useQuery(suggestLimitsOptions({ path: { code } }));
  return (
    <section aria-label="Suggested limits">
      <div className="row-between">
        <h3>Suggested limits</h3>
        {may('controller') && (
          <Button size="small" onClick={() => void act(() => answer(askAgency({ path: { code } })))}>
            Ask the agency
          </Button>
        )}
      </div>
      <Loaded query={query} what="suggested limits" lines={3}>
        {(suggested) => (
          <Lines
            lines={suggested.map((s) => ({
              name: <span className="sentence">{suggestionMethods[s.method]}</span>,
              value: (
                <button
                  type="button"
                  className="linkish"
                  onClick={() =>
                    show({ title: `Limit suggested ${suggestionMethods[s.method]}`, workings: s.workings })
                  }
                >
                  {s.amount ? money(s.amount) : s.workings[0]?.formula}
                </button>
              ),
            }))}
          />
        )}
      </Loaded>
    </section>
  );
}
