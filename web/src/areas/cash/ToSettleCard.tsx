import { useQuery } from '@tanstack/react-query';
import { Button, DatePicker, type GetRef } from 'antd';
import dayjs from 'dayjs';
import { useRef } from 'react';
import { getSettlement } from '../../api/generated';
import { answer } from '../../api/problem';
import { day, iso } from '../../format/dates';
import { grouped, isZero, money, withCurrency } from '../../format/money';
import { useKeys } from '../../shell/keys';
import { useWorkings } from '../../workings/Workings';

/** What this customer must pay on any day: the question every call ends with. */
export function ToSettleCard({ code, on, onDate }: { code: string; on: string; onDate: (date: string) => void }) {
  const show = useWorkings();
  const picker = useRef<GetRef<typeof DatePicker>>(null);
  const { data } = useQuery({
    queryKey: ['settlement', code, on],
    queryFn: () => answer(getSettlement({ path: { code }, query: { on } })),
    placeholderData: (d) => d,
  });
  useKeys({ d: () => picker.current?.focus() });
  const lines = data && [
    ['Open items by value, credits taken off', money(data.open), ''],
    [
      'less discount still open' +
        (data.discountItems ? `, ${data.discountItems} ${data.discountItems === 1 ? 'item' : 'items'}` : ''),
      isZero(data.discount) ? '—' : `− ${money(data.discount)}`,
      'good',
    ],
    [
      `Late charges to this day${data.chargeRule ? `, ${data.chargeRule}` : ''}`,
      isZero(data.lateCharges) ? '—' : money(data.lateCharges),
      '',
    ],
    ['Reminder fees not paid', isZero(data.fees) ? '—' : money(data.fees), ''],
  ];
  return (
    <section className="card pad" aria-label="To settle">
      <div className="row-between">
        <h2>
          To settle on{' '}
          <DatePicker
            ref={picker}
            aria-label="To settle on"
            allowClear={false}
            size="small"
            format="D MMM YYYY"
            value={dayjs(on)}
            onChange={(d) => onDate(iso(d))}
            style={{ width: 124 }}
          />{' '}
          <kbd>D</kbd>
        </h2>
        {data && (
          <Button size="small" onClick={() => show({ title: `To settle on ${day(on)}`, workings: data.workings })}>
            Workings
          </Button>
        )}
      </div>
      {data && lines && (
        <>
          <table className="lines">
            <tbody>
              {lines.map(([what, figure, tone]) => (
                <tr key={what}>
                  <th scope="row">{what}</th>
                  <td className={`figure ${tone}`}>{figure}</td>
                </tr>
              ))}
              <tr className="total">
                <th scope="row">They pay</th>
                <td className="figure" data-testid="to-pay">
                  {withCurrency(data.toPay, data.currency)}
                </td>
              </tr>
            </tbody>
          </table>
          <div className="muted small">
            {data.nextChange
              ? `Other than by daily interest it changes on ${day(data.nextChange.date)}: ${grouped(data.nextChange.reason)}`
              : 'Nothing but daily interest will change it.'}
          </div>
        </>
      )}
    </section>
  );
}
