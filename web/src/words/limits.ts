import type { AccountState, LimitEventKind, LimitSource, RequestState, SuggestionMethod } from '../api/generated';

export const sourceNames: Record<LimitSource, string> = {
  ownAssessment: 'Own assessment',
  creditInsurer: 'Credit insurer',
  agencyReport: 'Agency report',
  guarantee: 'Guarantee',
};

export const requestStates: Record<RequestState, string> = {
  asked: 'waits for approval',
  approved: 'approved',
  refused: 'refused',
  withdrawn: 'withdrawn',
  expired: 'expired',
};

export const limitEvents: Record<LimitEventKind, string> = {
  limit: 'Limit',
  uplift: 'Uplift',
  open: 'State: open',
  watch: 'State: watch',
  stop: 'State: stop',
};

/** By what a limit is suggested. */
export const suggestionMethods: Record<SuggestionMethod, string> = {
  sales: 'by sales',
  agency: 'by the credit agency',
  netWorth: 'by net worth',
};

export const accountStates: Record<AccountState, string> = { open: 'Open', watch: 'Watch', stop: 'Stop' };

/** What stands beside the name of an account that may not simply be supplied. */
export const stateBadges: Record<AccountState, string | null> = { open: null, watch: 'On watch', stop: 'On stop' };
