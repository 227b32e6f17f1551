import { Alert } from 'antd';
import dayjs from 'dayjs';
import { useState } from 'react';
import { tryOutLateCharge, type LateChargePolicyShape } from '../../api/generated';
import { answer, asProblem } from '../../api/problem';
import { ChargeChart } from '../../drawings/ChargeChart';
import { plain } from '../../form/options';
import { SampleAmount, SampleDay } from '../../form/Sample';
import { useTryOut } from '../../form/useTryOut';
import { iso } from '../../format/dates';
import { isZero, money } from '../../format/money';
import { Waiting } from '../../shell/Loaded';
import { WorkingsTable } from '../../workings/WorkingsTable';

const daysLate = 22;

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
  const [due, setDue] = useState(iso(dayjs(today).subtract(65, 'day')));
  const [through, setThrough] = useState(today);
  const paidOn = iso(dayjs(due).add(daysLate, 'day'));
  const part = plain(paid);
  const body = {
    currency,
    amount: plain(amount),
    dueDate: due,
    movements: part && part !== '0' ? [{ date: paidOn, amount: `-${part}` }] : [],
    through,
    policy,
  };
  const { shown, error } = useTryOut('late-charge', body, (b) => answer(tryOutLateCharge({ body: b })));
  return (
    <section className="card pad" aria-label="Try-out">
      <h2>Try-out: a sample item</h2>
      <div style={{ display: 'grid', gridTemplateColumns: '1fr 1fr', gap: 8, margin: '8px 0' }}>
        <SampleAmount label="Amount" name="Sample amount" value={amount} onChange={setAmount} />
        <SampleAmount
          label={`Part paid ${daysLate} days late`}
          name="Sample part payment"
          value={paid}
          onChange={setPaid}
        />
        <SampleDay label="Due" name="Sample due date" value={due} onChange={setDue} />
        <SampleDay label="Charged through" name="Sample charged through" value={through} onChange={setThrough} />
      </div>
      {error && <Alert type="error" showIcon title={asProblem(error).detail} />}
      {!shown && !error && <Waiting what="the try-out" />}
      {shown && (
        <>
          <p style={{ margin: '6px 0' }}>
            The charge is <b style={{ fontSize: 17 }}>{money(shown.total)}</b> {currency}
            {isZero(shown.compensation) ? '.' : `, ${money(shown.interest)} and ${money(shown.compensation)} once.`}
          </p>
          <ChargeChart days={shown.days} segments={shown.segments} />
          <WorkingsTable workings={shown.workings} />
        </>
      )}
    </section>
  );
}
