import { useChoices, useLateChargePolicies, useReminderPlans, useTaxCodes, useTermsPolicies } from '../../api/queries';
import { AmountField, ChoiceField, SuggestField } from '../../form/fields';
import { choices, coded, none, plainChoices } from '../../form/options';
import { Rows } from '../../form/Rows';
import { deliveries } from '../../words/people';
import { Responses } from '../checks';

/** What new customers start with, and the company's own fields. */
export function CustomersPart() {
  const terms = useTermsPolicies();
  const policies = useLateChargePolicies();
  const plans = useReminderPlans();
  const taxes = useTaxCodes();
  const known = useChoices();
  return (
    <div className="settings two">
      <section className="card pad">
        <h2>New customers start with</h2>
        <div className="ties">
          <SuggestField
            name="defaultTerms"
            label="Terms"
            options={(terms.data ?? []).map((t) => ({ value: t.code }))}
          />
          <AmountField name="defaultLimit" label="Limit" />
          <ChoiceField name="defaultCurrency" label="Currency" search options={plainChoices(known.data?.currencies)} />
          <ChoiceField name="defaultDelivery" label="Delivery" options={choices(deliveries)} />
        </div>
        <ChoiceField
          name="defaultLateChargePolicy"
          label="Late-charge policy"
          options={[none, ...coded(policies.data)]}
        />
        <ChoiceField name="defaultReminderPlan" label="Reminder plan" options={[none, ...coded(plans.data)]} />
        <ChoiceField name="defaultTaxCode" label="Tax code" options={[none, ...coded(taxes.data)]} />
      </section>
      <section className="card pad">
        <h2>Credit check of new customers</h2>
        <p className="muted small">Existing customers keep their own responses.</p>
        <Responses name="defaultResponses" />
      </section>
      <section className="card pad wide">
        <h2>Fields of our own for customers</h2>
        <Rows
          name="customerFields"
          title="Fields"
          add="Add a field"
          start={{ kind: 'text' }}
          columns={[
            { name: 'key', label: 'Key', kind: 'text', width: '130px' },
            { name: 'name', label: 'Name', kind: 'text' },
            {
              name: 'kind',
              label: 'Kind',
              kind: 'choice',
              width: '110px',
              options: plainChoices(['text', 'number', 'date', 'choice']),
            },
            { name: 'choices', label: 'Choices', kind: 'words', width: 'minmax(0, 2fr)' },
          ]}
        />
      </section>
    </div>
  );
}
