import { lazyView } from '../../shell/lazily';

export { PolicyForm } from './PolicyForm';
export { PolicyPage } from './PolicyPage';
export { usePolicySave } from './usePolicySave';
export const PoliciesPage = lazyView(() => import('./PoliciesPage').then((m) => m.PoliciesPage), 'the policies');
