import { day } from '../format/dates';
import { layOut, type StripMark } from './calendarStrip';

/** One invoice's dates on a calendar: discount windows in the accent, due dates as marks, days not worked shaded. */
export function CalendarStrip({
  from,
  dues,
  deadlines,
  holidays,
}: {
  from: string;
  dues: StripMark[];
  deadlines: StripMark[];
  holidays: string[];
}) {
  const strip = layOut(from, dues, deadlines, holidays);
  const words = [
    `Invoice ${day(from)}`,
    ...deadlines.map((m) => `discount ${m.text} until ${day(m.date)}`),
    ...dues.map((m) => `${m.text} due ${day(m.date)}`),
  ].join('; ');
  return (
    <div className="calendar-strip" role="img" aria-label={words}>
      <div className="months">
        {strip.months.map((month, i) => (
          <span key={i} style={{ left: `${month.at}%` }}>
            {month.label}
          </span>
        ))}
      </div>
      <div className="track">
        {strip.closed.map((mark) => (
          <i
            key={mark.at}
            className={mark.holiday ? 'closed holiday' : 'closed'}
            style={{ left: `${mark.at}%`, width: `${mark.width}%` }}
          />
        ))}
        {strip.deadlines.map((mark, i) => (
          <b
            key={`d${i}`}
            className="window"
            style={{ width: `${mark.at}%`, top: 5 + i * 5, height: 5 }}
            title={`${mark.text} until ${day(mark.date)}`}
          />
        ))}
        {strip.dues.map((mark, i) => (
          <b
            key={`p${i}`}
            className="due"
            style={{ left: `${mark.at}%` }}
            title={`${mark.text} due ${day(mark.date)}`}
          />
        ))}
      </div>
    </div>
  );
}
