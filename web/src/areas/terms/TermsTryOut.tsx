import { useQuery } from '@tanstack/react-query';
import { Alert, Button, DatePicker, Input } from 'antd';
import dayjs from 'dayjs';
import { useState } from 'react';
import { calculateSchedule, type TermsConditionsShape } from '../../api/generated';
import { answer, asProblem } from '../../api/problem';
import { day, iso } from '../../format/dates';
import { money, percent } from '../../format/money';
import { CalendarStrip } from '../../drawings/CalendarStrip';
import { useWorkings } from '../../workings/Workings';

/** A sample invoice under the terms being typed: due dates, amounts, deadlines and what each discount is worth a year. */
export function TermsTryOut({
  text,
  conditions,
  printed = '',
  today,
  currency,
}: {
  text: string;
  conditions?: TermsConditionsShape;
  printed?: string;
  today: string;
  currency: string;
}) {
  const show = useWorkings();
  const [net, setNet] = useState('1000.00');
  const [tax, setTax] = useState('200.00');
  const [notDiscountable, setNotDiscountable] = useState('0.00');
  const [credited, setCredited] = useState('0.00');
  const [date, setDate] = useState(today);
  const body = { invoiceDate: date, currency, net, tax, notDiscountable, credited, terms: text, conditions, printed };
  const { data, error } = useQuery({
    queryKey: ['try-terms', body],
    queryFn: () => answer(calculateSchedule({ body })),
    placeholderData: (d) => d,
    retry: false,
  });
  const problem = error ? asProblem(error) : null;
  return (
    <section className="card pad" aria-label="Try-out">
      <div className="row-between">
        <h2>Try-out: a sample invoice</h2>
        {data && !problem && (
          <Button size="small" onClick={() => show({ title: `Schedule under ${text}`, workings: data.workings })}>
            Workings
          </Button>
        )}
      </div>
      <div style={{ display: 'grid', gridTemplateColumns: '1fr 1fr 1fr', gap: 8, margin: '8px 0' }}>
        <label className="small muted">
          Invoice date
          <DatePicker
            aria-label="Sample invoice date"
            format="D MMM YYYY"
            allowClear={false}
            value={dayjs(date)}
            onChange={(d) => setDate(iso(d))}
            style={{ width: '100%' }}
          />
        </label>
        <label className="small muted">
          Net
          <Input aria-label="Sample net" className="figure" value={net} onChange={(e) => setNet(e.target.value)} />
        </label>
        <label className="small muted">
          Tax
          <Input aria-label="Sample tax" className="figure" value={tax} onChange={(e) => setTax(e.target.value)} />
        </label>
        {conditions && (
          <>
            <label className="small muted">
              Not discountable
              <Input
                aria-label="Sample not discountable"
                className="figure"
                value={notDiscountable}
                onChange={(e) => setNotDiscountable(e.target.value)}
              />
            </label>
            <label className="small muted">
              Credited since
              <Input
                aria-label="Sample credited"
                className="figure"
                value={credited}
                onChange={(e) => setCredited(e.target.value)}
              />
            </label>
          </>
        )}
      </div>
      {problem && <Alert type="error" showIcon title={problem.detail} />}
      {data && !problem && (
        <>
          {data.warnings.map((warning) => (
            <Alert key={warning} type="warning" showIcon title={warning} style={{ marginBottom: 8 }} />
          ))}
          <CalendarStrip
            from={date}
            dues={data.instalments.map((i) => ({ date: i.due, text: money(i.amount) }))}
            deadlines={data.discounts.map((d) => ({ date: d.deadline, text: money(d.amount) }))}
            holidays={data.holidays.map((h) => h.date ?? '')}
          />
          <table className="grid">
            <thead>
              <tr>
                <th>{data.instalments.length > 1 ? 'Instalments due' : 'Due'}</th>
                <th className="figure">Amount</th>
              </tr>
            </thead>
            <tbody>
              {data.instalments.map((i, n) => (
                <tr key={n}>
                  <td>{day(i.due)}</td>
                  <td className="figure">{money(i.amount)}</td>
                </tr>
              ))}
            </tbody>
          </table>
          {data.discounts.length > 0 && (
            <table className="grid" style={{ marginTop: 6 }}>
              <thead>
                <tr>
                  <th>Paid by</th>
                  <th className="figure">Discount</th>
                  <th className="figure">They pay</th>
                  <th className="figure">Cost a year, simple</th>
                  <th className="figure">effective</th>
                </tr>
              </thead>
              <tbody>
                {data.discounts.map((d, n) => (
                  <tr key={n}>
                    <td>{day(d.deadline)}</td>
                    <td className="figure">
                      {d.percent ? `${d.percent}% = ` : ''}
                      {money(d.amount)}
                    </td>
                    <td className="figure">{money(d.payable)}</td>
                    <td className="figure">{percent(d.simpleAnnualCost)}</td>
                    <td className="figure">{percent(d.effectiveAnnualCost)}</td>
                  </tr>
                ))}
              </tbody>
            </table>
          )}
          {conditions && (
            <p className="small" style={{ marginTop: 8 }}>
              <span className="muted">On the invoice: </span>
              {data.printed}
            </p>
          )}
        </>
      )}
    </section>
  );
}
