import { Button } from 'antd';
import dayjs from 'dayjs';

/** A year at a glance: days not worked are marked, so that a missing holiday shows. */
export function HolidayYear({
  year,
  onYear,
  holidays,
}: {
  year: number;
  onYear: (year: number) => void;
  holidays: { date: string; name: string }[];
}) {
  const names = new Map(holidays.map((h) => [h.date, h.name]));
  const count = holidays.filter((h) => h.date.startsWith(`${year}-`)).length;
  return (
    <section className="card pad" aria-label="Try-out">
      <div className="row-between">
        <h2>
          {year}: {count === 1 ? '1 holiday' : `${count} holidays`}
        </h2>
        <span>
          <Button size="small" aria-label="Year before" onClick={() => onYear(year - 1)}>
            ‹
          </Button>{' '}
          <Button size="small" aria-label="Year after" onClick={() => onYear(year + 1)}>
            ›
          </Button>
        </span>
      </div>
      <div className="year">
        {Array.from({ length: 12 }, (_, m) => {
          const first = dayjs(new Date(year, m, 1));
          return (
            <div key={m}>
              <h3>{first.format('MMMM')}</h3>
              <div className="month">
                {Array.from({ length: (first.day() + 6) % 7 }, (_, i) => (
                  <span key={`b${i}`} />
                ))}
                {Array.from({ length: first.daysInMonth() }, (_, i) => {
                  const day = first.date(i + 1);
                  const name = names.get(day.format('YYYY-MM-DD'));
                  const weekend = day.day() === 0 || day.day() === 6;
                  return (
                    <span key={i} className={name !== undefined ? 'holiday' : weekend ? 'weekend' : ''} title={name}>
                      {i + 1}
                    </span>
                  );
                })}
              </div>
            </div>
          );
        })}
      </div>
    </section>
  );
}
