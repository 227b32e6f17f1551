import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { Button, type InputRef } from 'antd';
import dayjs from 'dayjs';
import { useRef } from 'react';
import { getSettlementOptions } from '../../api/generated/@tanstack/react-query.gen';
import { DayInput } from '../../form/DayInput';
import { day, iso } from '../../format/dates';
import { grouped, isZero, money, withCurrency } from '../../format/money';
import { useKeys } from '../../shell/keys';
import { Loaded } from '../../shell/Loaded';
import { Lines } from '../../table/Lines';
import { useWorkings } from '../../workings/Workings';

/** What this customer must pay on any day: the question every call ends with. */
export function ToSettleCard({ code, on, onDate }: { code: string; on: string; onDate: (date: string) => void }) {
  const show = useWorkings();
  const picker = useRef<InputRef>(null);
  const query = useQuery({
    ...getSettlementOptions({ path: { code }, query: { on } }),
    placeholderData: keepPreviousData,
  });
  useKeys({ d: () => picker.current?.focus() });
  const { data } = query;
  const orDash = (amount: string, sign = '') => (isZero(amount) ? '—' : `${sign}${money(amount)}`);
  return (
    <section className="card pad" aria-label="To settle">
      <div className="row-between">
        <h2>
          To settle on{' '}
          <DayInput
            ref={picker}
            aria-label="To settle on"
            allowClear={false}
            size="small"
            value={dayjs(on)}
            onChange={(d) => onDate(iso(d))}
            style={{ width: 130 }}
          />{' '}
          <kbd>D</kbd>
        </h2>
        {data && (
          <Button size="small" onClick={() => show({ title: `To settle on ${day(on)}`, workings: data.workings })}>
            Workings
          </Button>
        )}
      </div>
      <Loaded query={query} what="what is to be settled" lines={5}>
        {(s) => (
          <>
            <Lines
              lines={[
                { name: 'Open items by value, credits taken off', value: money(s.open) },
                {
                  name:
                    'less discount still open' +
                    (s.discountItems ? `, ${s.discountItems} ${s.discountItems === 1 ? 'item' : 'items'}` : ''),
                  value: orDash(s.discount, '− '),
                  tone: 'good',
                },
                {
                  name: `Late charges to this day${s.chargeRule ? `, ${s.chargeRule}` : ''}`,
                  value: orDash(s.lateCharges),
                },
                { name: 'Reminder fees not paid', value: orDash(s.fees) },
                {
                  name: 'They pay',
                  value: <span data-testid="to-pay">{withCurrency(s.toPay, s.currency)}</span>,
                  tone: 'total',
                },
              ]}
            />
            <div className="muted small">
              {s.nextChange
                ? `Other than by daily interest it changes on ${day(s.nextChange.date)}: ${grouped(s.nextChange.reason)}`
                : 'Nothing but daily interest will change it.'}
            </div>
          </>
        )}
      </Loaded>
    </section>
  );
}
