import { useReferenceRates } from '../../api/queries';
import { AmountField, CheckField, ChoiceField } from '../../form/fields';
import { choices } from '../../form/options';
import { Rows } from '../../form/Rows';
import { bandsOn, months, type ChargeTyped } from './chargeForm';

const perYear = { name: 'annualRate', label: 'Rate in percent a year', suffix: '% a year' };

/** At what rate a charge grows: a table, a reference rate or a percentage a month, with bands. */
export function ChargeRates({ values }: { values: ChargeTyped }) {
  const references = useReferenceRates();
  if (values.grows === 'monthly')
    return <ChoiceField name={['monthly', 'months']} label="Months charged" options={choices(months)} />;
  return (
    <>
      {values.grows === 'table' ? (
        <Rows
          name="rates"
          title="Rates"
          add="Add a rate"
          columns={[{ name: 'from', label: 'From', prefix: 'from', kind: 'date' }, perYear]}
        />
      ) : (
        <>
          <div className="ties">
            <ChoiceField
              name={['reference', 'code']}
              label="Reference rate"
              options={(references.data ?? []).map((r) => ({ value: r.code, label: r.name }))}
            />
            <AmountField name={['reference', 'margin']} label="Margin" suffix="% a year" />
          </div>
          <CheckField name={['reference', 'fixedForLife']} tight>
            The half-year in which a debt became late gives its rate for good
          </CheckField>
          <CheckField name={['reference', 'dayBefore']}>
            A half-year’s rate is that of the day before it begins
          </CheckField>
        </>
      )}
      <Rows
        name="bands"
        title="Bands: the part above an amount bears another rate"
        add="Add a band"
        columns={[{ name: 'above', label: 'Above', prefix: 'above' }, perYear]}
      />
      {values.bands.length > 0 && (
        <ChoiceField name="bandsOn" label="Bands are measured on" options={choices(bandsOn)} />
      )}
    </>
  );
}
