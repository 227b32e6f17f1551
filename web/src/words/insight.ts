import type { AgeingKind } from '../api/generated';

/** By what an ageing adds up accounts. */
export const ageingKinds: Record<AgeingKind, string> = {
  account: 'Account',
  group: 'Group',
  owner: 'Owner',
  controlGroup: 'Control group',
  customerType: 'Customer type',
  currency: 'Currency',
  field: 'Own field',
};
