import type { ReactNode } from 'react';
import type { GroupForecastView } from '../../api/generated';
import { CourseChart } from '../../drawings/CourseChart';
import { day } from '../../format/dates';
import { useWorkings } from '../../workings/Workings';

/** The exposure expected of an account or a group, and the day on which it passes the limit. */
export function Forecast({
  forecast: f,
  hasLimit = true,
  note,
  heading: Heading = 'h3',
}: {
  forecast: GroupForecastView;
  hasLimit?: boolean;
  note: ReactNode;
  heading?: 'h2' | 'h3';
}) {
  const show = useWorkings();
  return (
    <section aria-label="Forecast">
      <div className="row-between">
        <Heading>The next 60 days</Heading>
        <button
          type="button"
          className="linkish small"
          onClick={() => show({ title: 'Forecast of the exposure', workings: f.workings })}
        >
          workings
        </button>
      </div>
      <CourseChart course={f.course} passesOn={f.passesOn} label="Forecast" />
      <p className="small" style={{ margin: '2px 0 0' }}>
        {!hasLimit ? (
          'It has no limit of its own.'
        ) : f.overNow ? (
          'It is over its limit already.'
        ) : f.passesOn ? (
          <span className="alarm strong">Passes its limit on {day(f.passesOn)}.</span>
        ) : (
          'It is expected to stay within its limit.'
        )}{' '}
        <span className="muted">{note}</span>
      </p>
    </section>
  );
}
