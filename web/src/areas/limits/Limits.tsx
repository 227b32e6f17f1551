import { useQuery } from '@tanstack/react-query';
import { App, Button } from 'antd';
import { askAgency, getCourse, getForecast, suggestLimits, type AccountPage } from '../../api/generated';
import { answer, asProblem } from '../../api/problem';
import { CourseChart, CourseLegend } from '../../drawings/CourseChart';
import { day } from '../../format/dates';
import { isZero, money } from '../../format/money';
import { useWorkings } from '../../workings/Workings';
import { useMay } from '../users/useSession';
import { Forecast } from './Forecast';
import { LimitHistory } from './LimitHistory';
import { Requests } from './Requests';
import { sourceNames } from './sources';

const methods: Record<string, string> = {
  sales: 'By its sales',
  agency: 'By the credit agency',
  netWorth: 'By its net worth',
};

/** The limit of an account: its course, what is expected, what is suggested, and its history. */
export function Limits({ page }: { page: AccountPage }) {
  const code = page.account.code;
  const show = useWorkings();
  const may = useMay();
  const { message } = App.useApp();
  const course = useQuery({ queryKey: ['course', code], queryFn: () => answer(getCourse({ path: { code } })) });
  const forecast = useQuery({ queryKey: ['forecast', code], queryFn: () => answer(getForecast({ path: { code } })) });
  const suggested = useQuery({
    queryKey: ['suggested', code],
    queryFn: () => answer(suggestLimits({ path: { code } })),
  });
  const ask = async () => {
    try {
      await answer(askAgency({ path: { code } }));
      await suggested.refetch();
    } catch (e) {
      void message.error(asProblem(e).detail);
    }
  };
  const p = page.position;
  const f = forecast.data;
  return (
    <div style={{ padding: '4px 6px 12px', display: 'grid', gap: 12 }}>
      <Requests requests={page.requests} />
      <div className="cards halves">
        <section aria-label="Course of limit and exposure">
          <h3>The last 18 months</h3>
          {course.data && <CourseChart course={course.data} label="Course" />}
          <CourseLegend />
        </section>
        {f && <Forecast forecast={f} note={`Reckoned with ${f.averageDaysLate} days late on average.`} />}
      </div>
      <div className="cards halves">
        <section aria-label="What the limit rests on">
          <h3>What the limit rests on</h3>
          <table className="lines">
            <tbody>
              {[
                ['Source', sourceNames[p.source]],
                ['Insured', isZero(p.insured) ? '—' : money(p.insured)],
                ['Review by', p.reviewOn ? `${day(p.reviewOn)}${p.reviewLapsed ? ', lapsed' : ''}` : 'no date'],
                ['Disputed', isZero(p.disputed) ? '—' : money(p.disputed)],
                ['Not cleared', isZero(p.uncleared) ? '—' : money(p.uncleared)],
              ].map(([name, value]) => (
                <tr key={name}>
                  <th scope="row">{name}</th>
                  <td className={`figure${value.endsWith('lapsed') ? ' alarm' : ''}`}>{value}</td>
                </tr>
              ))}
            </tbody>
          </table>
        </section>
        <section aria-label="Suggested limits">
          <div className="row-between">
            <h3>Suggested limits</h3>
            {may('controller') && (
              <Button size="small" onClick={() => void ask()}>
                Ask the agency
              </Button>
            )}
          </div>
          <table className="lines">
            <tbody>
              {suggested.data?.map((s) => (
                <tr key={s.method}>
                  <th scope="row">{methods[s.method]}</th>
                  <td className="figure">
                    <button
                      type="button"
                      className="linkish"
                      onClick={() => show({ title: methods[s.method], workings: s.workings })}
                    >
                      {s.amount ? money(s.amount) : s.workings[0]?.formula}
                    </button>
                  </td>
                </tr>
              ))}
            </tbody>
          </table>
        </section>
      </div>
      <LimitHistory history={page.history} code={code} />
    </div>
  );
}
