import { useQuery } from '@tanstack/react-query';
import * as ask from './generated/@tanstack/react-query.gen';

/** What many views ask for; everything else is asked for where it is shown. */
export const useCompany = () => useQuery(ask.getCompanyOptions());
export const useTermsPolicies = () => useQuery(ask.listTermsOptions());
export const useLateChargePolicies = () => useQuery(ask.listLateChargePoliciesOptions());
export const useReminderPlans = () => useQuery(ask.listReminderPlansOptions());
export const useCalendars = () => useQuery(ask.listCalendarsOptions());
export const useReferenceRates = () => useQuery(ask.listReferenceRatesOptions());
export const useTaxCodes = () => useQuery(ask.listTaxCodesOptions());
export const useChoices = () => useQuery({ ...ask.listChoicesOptions(), staleTime: Infinity });
export const useCustomer = (code: string) => useQuery(ask.getCustomerOptions({ path: { code } }));
export const useAccount = (code: string, asOf?: string) =>
  useQuery({
    ...ask.getAccountOptions({ path: { code }, query: { asOf } }),
    // Another day of the same account takes its place when it is there; another account's figures never stand in.
    placeholderData: (former) => (former?.account.code === code ? former : undefined),
  });
