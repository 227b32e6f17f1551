import { useCalendars, useChoices } from '../../api/queries';
import { AmountField, CheckField, ChoiceField, NumberField, TextField } from '../../form/fields';
import { choices, coded, plainChoices } from '../../form/options';
import { Rows } from '../../form/Rows';

/** What counts, how it ages, and when terms deserve a warning. */
export function BooksPart() {
  const calendars = useCalendars();
  const known = useChoices();
  return (
    <div className="settings">
      <section className="card pad">
        <h2>Exposure</h2>
        <CheckField name="creditsReduceExposure" tight>
          Credits and money on account reduce it
        </CheckField>
        <CheckField name="chargesCount" tight>
          Late charges and fees count towards it
        </CheckField>
        <CheckField name="disputedCount" tight>
          What is disputed counts towards it
        </CheckField>
        <CheckField name="unclearedCount" extra="By the days to clear of each payment method">
          Receipts count as owed until they have cleared
        </CheckField>
        <h2>Limits</h2>
        <div className="ties">
          <NumberField name="reviewMonths" label="Review after months" extra="0 for never" min={0} max={120} />
          <NumberField name="requestDays" label="Requests expire after days" min={1} max={366} />
          <AmountField name="netWorthShare" label="Share of net worth" suffix="%" />
          <AmountField name="costOfCapital" label="Cost of capital a year" suffix="%" />
          <NumberField name="oldestRate" label="Exchange rates valid for days" min={0} max={366} />
        </div>
        <h2>Ageing</h2>
        <ChoiceField
          name="ageBy"
          label="Age is counted from the"
          options={choices({ due: 'due date', invoice: 'invoice date' })}
        />
        <TextField
          name="ageingUpTo"
          label="Buckets end after days"
          extra="Any number of them, such as 7, 14, 30, 60, 90, 180"
        />
      </section>
      <section className="card pad">
        <h2>Discounts and short payments</h2>
        <CheckField name="adjustTaxOnDiscount">A discount reduces output tax by its share</CheckField>
        <div className="ties">
          <AmountField name="allowanceAmount" label="Write off up to" />
          <AmountField name="allowancePercent" label="and up to" suffix="%" />
        </div>
        <Rows
          name="allowances"
          title="In other currencies; those not given are converted at the rate of the day"
          add="Add a currency"
          columns={[
            { name: 'currency', label: 'Currency', kind: 'choice', options: plainChoices(known.data?.currencies) },
            { name: 'amount', label: 'Write off up to' },
          ]}
        />
      </section>
      <section className="card pad">
        <h2>Terms</h2>
        <ChoiceField
          name="calendar"
          label="Holiday calendar"
          options={[{ value: '', label: 'weekends only' }, ...coded(calendars.data)]}
        />
        <AmountField name="dearDiscount" label="Warn of discounts that cost more than" suffix="% a year" />
        <NumberField name="longestPaymentDays" label="Warn of terms longer than" min={0} max={3650} suffix="days" />
        <TextField name="longestPaymentDaysSource" label="because of" />
      </section>
    </div>
  );
}
