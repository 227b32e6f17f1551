import { useCompany, useLateChargePolicies, useReminderPlans, useTaxCodes, useTermsPolicies } from '../../api/queries';
import { choices, coded, plainChoices } from '../../form/options';
import { responseChoices } from '../../words/checks';
import { deliveries } from '../../words/people';

/** What a field of the customer's record can be changed to, where that is a choice. */
export function useFieldValues(field: string | undefined) {
  const terms = useTermsPolicies();
  const policies = useLateChargePolicies();
  const plans = useReminderPlans();
  const taxes = useTaxCodes();
  const company = useCompany();
  if (field?.startsWith('responses.')) return choices(responseChoices);
  if (field?.startsWith('fields.'))
    return plainChoices(company.data?.customerFields.find((f) => `fields.${f.key}` === field)?.choices ?? []);
  switch (field) {
    case 'terms':
      return coded(terms.data);
    case 'lateChargePolicy':
      return coded(policies.data);
    case 'reminderPlan':
      return coded(plans.data);
    case 'taxCode':
      return coded(taxes.data);
    case 'paymentMethod':
      return coded(company.data?.paymentMethods);
    case 'controlGroup':
      return coded(company.data?.controlGroups);
    case 'delivery':
      return choices(deliveries);
    default:
      return [];
  }
}
