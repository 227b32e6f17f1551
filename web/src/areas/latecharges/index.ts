import { lazyDialog, lazyView } from '../../shell/lazily';

export const RaiseCharge = lazyDialog(() => import('./RaiseCharge').then((m) => m.RaiseCharge));
export const LateChargePolicies = lazyView(
  () => import('./LateChargePolicies').then((m) => m.LateChargePolicies),
  'the policies',
);
export const ReferenceRates = lazyView(() => import('./ReferenceRates').then((m) => m.ReferenceRates), 'the rates');
