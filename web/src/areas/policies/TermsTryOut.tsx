import { useQuery } from '@tanstack/react-query';
import { Alert, Button, DatePicker, Input } from 'antd';
import dayjs from 'dayjs';
import { useState } from 'react';
import { calculateSchedule } from '../../api/generated';
import { answer, asProblem } from '../../api/problem';
import { day, iso } from '../../format/dates';
import { money, percent } from '../../format/money';
import { useWorkings } from '../../workings/Workings';

/** A sample invoice under the terms being typed: due dates, amounts, deadlines and what each discount is worth a year. */
export function TermsTryOut({ text, base, today, currency }: { text: string; base?: string; today: string; currency: string }) {
  const show = useWorkings();
  const [net, setNet] = useState('1000.00');
  const [tax, setTax] = useState('200.00');
  const [date, setDate] = useState(today);
  const body = { invoiceDate: date, currency, net, tax, notDiscountable: '0.00', discountBase: base ?? 'gross', terms: text };
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
      </div>
      {problem && <Alert type="error" showIcon title={problem.detail} />}
      {data && !problem && (
        <>
          {data.warning && <Alert type="warning" showIcon title={data.warning} style={{ marginBottom: 8 }} />}
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
        </>
      )}
    </section>
  );
}
