import { useCompany, useTaxCodes } from '../../api/queries';
import { AmountField, CheckField, ChoiceField, NumberField, TextField } from '../../form/fields';
import { choices } from '../../form/options';
import { OtherCurrencies } from '../../form/OtherCurrencies';
import { Rows } from '../../form/Rows';
import { amountsOf, belowMinimum, countFrom, labels, whileDisputed, type ChargeTyped } from './chargeForm';

/** What holds a charge between a minimum and a maximum, when it begins, and where it is posted. */
export function ChargeBounds({ values }: { values: ChargeTyped }) {
  const company = useCompany();
  const taxes = useTaxCodes();
  const amounts = amountsOf(values);
  return (
    <>
      <Rows
        name="compensation"
        title="Fixed amount, charged once an item"
        add="Add a fixed amount"
        columns={[
          { name: 'from', label: 'From an amount overdue of', prefix: 'from' },
          { name: 'amount', label: 'Fixed amount' },
        ]}
      />
      <div className="ties">
        <NumberField name="waitDays" label="Grace days after the due date" min={0} max={3650} />
        <ChoiceField name="countFrom" label="Days charged count from the" options={choices(countFrom)} />
        <AmountField name="minimum" label={labels.minimum} placeholder="none" />
        <ChoiceField name="belowMinimum" label="Below the minimum" options={choices(belowMinimum)} />
        <AmountField name="maximum" label={labels.maximum} placeholder="none" />
        <AmountField name="maximumOverLife" label={labels.maximumOverLife} placeholder="none" />
        <AmountField name="maximumPerRun" label={labels.maximumPerRun} placeholder="none" />
        <AmountField name="exemptBelow" label={labels.exemptBelow} placeholder="none" />
        <AmountField name={['ceiling', 'rate']} label="Legal maximum rate" suffix="% a year" placeholder="none" />
        <TextField name={['ceiling', 'source']} label="Source of the legal maximum" />
        <AmountField
          name="postingAccount"
          label="Income account"
          placeholder={company.data?.postingAccounts.lateChargeIncome}
        />
        <ChoiceField
          name="taxCode"
          label="Tax code"
          options={[
            { value: '', label: 'not taxed' },
            ...(taxes.data ?? []).map((t) => ({ value: t.code, label: t.name })),
          ]}
        />
      </div>
      <ChoiceField name="whileDisputed" label="What the customer disputes is" options={choices(whileDisputed)} />
      {amounts.length > 0 && <OtherCurrencies name={['inOtherCurrencies']} amounts={amounts} />}
      <CheckField name="onCharges" tight>
        Unpaid earlier charges are charged too
      </CheckField>
      <CheckField name="shownOnly">Shown on letters and quotes, never posted</CheckField>
    </>
  );
}
