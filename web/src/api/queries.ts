import { useQuery } from '@tanstack/react-query';
import * as api from './generated';
import { answer } from './problem';

export const useCompany = () => useQuery({ queryKey: ['company'], queryFn: () => answer(api.getCompany()) });

export const useTermsPolicies = () =>
  useQuery({ queryKey: ['policies', 'terms'], queryFn: () => answer(api.listTerms()) });

export const useLateChargePolicies = () =>
  useQuery({ queryKey: ['policies', 'late-charges'], queryFn: () => answer(api.listLateChargePolicies()) });

export const useReminderPlans = () =>
  useQuery({ queryKey: ['policies', 'reminder-plans'], queryFn: () => answer(api.listReminderPlans()) });

export const useCalendars = () =>
  useQuery({ queryKey: ['policies', 'calendars'], queryFn: () => answer(api.listCalendars()) });

export const useReferenceRates = () =>
  useQuery({ queryKey: ['policies', 'reference-rates'], queryFn: () => answer(api.listReferenceRates()) });

export const useTaxCodes = () =>
  useQuery({ queryKey: ['policies', 'tax-codes'], queryFn: () => answer(api.listTaxCodes()) });

export const useChoices = () =>
  useQuery({ queryKey: ['choices'], queryFn: () => answer(api.listChoices()), staleTime: Infinity });
export const useCustomer = (code: string) =>
  useQuery({ queryKey: ['customer', code], queryFn: () => answer(api.getCustomer({ path: { code } })) });
export const useAccount = (code: string, asOf?: string) =>
  useQuery({
    queryKey: ['account', code, asOf ?? ''],
    queryFn: () => answer(api.getAccount({ path: { code }, query: { asOf } })),
    placeholderData: (former) => (former?.account.code === code ? former : undefined),
  });
