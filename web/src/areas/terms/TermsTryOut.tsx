import { Alert, Button } from 'antd';
import { useState } from 'react';
import { calculateSchedule, type ScheduleAnswer, type TermsConditionsShape } from '../../api/generated';
import { answer, asProblem } from '../../api/problem';
import { CalendarStrip } from '../../drawings/CalendarStrip';
import { plain } from '../../form/options';
import { SampleAmount, SampleDay } from '../../form/Sample';
import { useTryOut } from '../../form/useTryOut';
import { day } from '../../format/dates';
import { money, percent } from '../../format/money';
import { Waiting } from '../../shell/Loaded';
import { Grid } from '../../table/Grid';
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
  const body = {
    invoiceDate: date,
    currency,
    net: plain(net),
    tax: plain(tax),
    notDiscountable: plain(notDiscountable),
    credited: plain(credited),
    terms: text,
    conditions,
    printed,
  };
  const { shown, error } = useTryOut('schedule', body, (b) => answer(calculateSchedule({ body: b })));
  return (
    <section className="card pad" aria-label="Try-out">
      <div className="row-between">
        <h2>Try-out: a sample invoice</h2>
        {shown && (
          <Button size="small" onClick={() => show({ title: `Schedule under ${text}`, workings: shown.workings })}>
            Workings
          </Button>
        )}
      </div>
      <div style={{ display: 'grid', gridTemplateColumns: '1fr 1fr 1fr', gap: 8, margin: '8px 0' }}>
        <SampleDay label="Invoice date" name="Sample invoice date" value={date} onChange={setDate} />
        <SampleAmount label="Net" name="Sample net" value={net} onChange={setNet} />
        <SampleAmount label="Tax" name="Sample tax" value={tax} onChange={setTax} />
        {conditions && (
          <>
            <SampleAmount
              label="Not discountable"
              name="Sample not discountable"
              value={notDiscountable}
              onChange={setNotDiscountable}
            />
            <SampleAmount label="Credited since" name="Sample credited" value={credited} onChange={setCredited} />
          </>
        )}
      </div>
      {error && <Alert type="error" showIcon title={asProblem(error).detail} />}
      {!shown && !error && <Waiting what="the try-out" />}
      {shown && <Schedule from={date} schedule={shown} withText={conditions !== undefined} />}
    </section>
  );
}

function Schedule({ from, schedule: s, withText }: { from: string; schedule: ScheduleAnswer; withText: boolean }) {
  return (
    <>
      {s.warnings.map((warning) => (
        <Alert key={warning} type="warning" showIcon title={warning} style={{ marginBottom: 8 }} />
      ))}
      <CalendarStrip
        from={from}
        dues={s.instalments.map((i) => ({ date: i.due, text: money(i.amount) }))}
        deadlines={s.discounts.map((d) => ({ date: d.deadline, text: money(d.amount) }))}
        holidays={s.holidays.map((h) => h.date ?? '')}
      />
      <Grid
        label="Due dates"
        rows={s.instalments}
        keyOf={(_, n) => n}
        columns={[
          { title: s.instalments.length > 1 ? 'Instalments due' : 'Due', cell: (i) => day(i.due) },
          { title: 'Amount', figure: true, cell: (i) => money(i.amount) },
        ]}
      />
      {s.discounts.length > 0 && (
        <Grid
          label="Discounts"
          rows={s.discounts}
          keyOf={(_, n) => n}
          columns={[
            { title: 'Paid by', cell: (d) => day(d.deadline) },
            {
              title: 'Discount',
              figure: true,
              cell: (d) => `${d.percent ? `${d.percent}% = ` : ''}${money(d.amount)}`,
            },
            { title: 'They pay', figure: true, cell: (d) => money(d.payable) },
            { title: 'Cost a year, simple', figure: true, cell: (d) => percent(d.simpleAnnualCost) },
            { title: 'effective', figure: true, cell: (d) => percent(d.effectiveAnnualCost) },
          ]}
        />
      )}
      {withText && (
        <p className="small" style={{ marginTop: 8 }}>
          <span className="muted">On the invoice: </span>
          {s.printed}
        </p>
      )}
    </>
  );
}
