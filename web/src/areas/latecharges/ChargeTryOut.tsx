import { useQuery } from '@tanstack/react-query';
import { Alert, DatePicker, Input } from 'antd';
import dayjs from 'dayjs';
import { useState } from 'react';
import { tryOutLateCharge, type LateChargePolicyShape } from '../../api/generated';
import { answer, asProblem } from '../../api/problem';
import { ChargeChart } from '../../drawings/ChargeChart';
import { iso } from '../../format/dates';
import { isZero, money } from '../../format/money';
import { WorkingsTable } from '../../workings/Workings';

/** The charge on a sample item under the policy being typed, day by day. */
export function ChargeTryOut({
  policy,
  today,
  currency,
}: {
  policy: LateChargePolicyShape;
  today: string;
  currency: string;
}) {
  const [amount, setAmount] = useState('9000.00');
  const [paid, setPaid] = useState('2500.00');
  const [due, setDue] = useState(dayjs(today).subtract(65, 'day').format('YYYY-MM-DD'));
  const [through, setThrough] = useState(today);
  const paidOn = dayjs(due).add(22, 'day').format('YYYY-MM-DD');
  const body = {
    currency,
    amount,
    dueDate: due,
    movements: paid && paid !== '0' ? [{ date: paidOn, amount: `-${paid}` }] : [],
    through,
    policy,
  };
  const { data, error } = useQuery({
    queryKey: ['try-charge', body],
    queryFn: () => answer(tryOutLateCharge({ body })),
    placeholderData: (d) => d,
    retry: false,
  });
  const problem = error ? asProblem(error) : null;
  return (
    <section className="card pad" aria-label="Try-out">
      <h2>Try-out: a sample item</h2>
      <div style={{ display: 'grid', gridTemplateColumns: '1fr 1fr', gap: 8, margin: '8px 0' }}>
        <label className="small muted">
          Amount
          <Input
            aria-label="Sample amount"
            className="figure"
            value={amount}
            onChange={(e) => setAmount(e.target.value)}
          />
        </label>
        <label className="small muted">
          Part paid 22 days late
          <Input
            aria-label="Sample part payment"
            className="figure"
            value={paid}
            onChange={(e) => setPaid(e.target.value)}
          />
        </label>
        <label className="small muted">
          Due
          <DatePicker
            aria-label="Sample due date"
            format="D MMM YYYY"
            allowClear={false}
            value={dayjs(due)}
            onChange={(d) => setDue(iso(d))}
            style={{ width: '100%' }}
          />
        </label>
        <label className="small muted">
          Charged through
          <DatePicker
            aria-label="Sample charged through"
            format="D MMM YYYY"
            allowClear={false}
            value={dayjs(through)}
            onChange={(d) => setThrough(iso(d))}
            style={{ width: '100%' }}
          />
        </label>
      </div>
      {problem && <Alert type="error" showIcon title={problem.detail} />}
      {data && !problem && (
        <>
          <p style={{ margin: '6px 0' }}>
            The charge is <b style={{ fontSize: 17 }}>{money(data.total)}</b> {currency}
            {isZero(data.compensation) ? '.' : `, ${money(data.interest)} and ${money(data.compensation)} once.`}
          </p>
          <ChargeChart days={data.days} segments={data.segments} />
          <WorkingsTable workings={data.workings} />
        </>
      )}
    </section>
  );
}
