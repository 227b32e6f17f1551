import { lazyDialog, lazyView } from '../../shell/lazily';

export const TermsPolicies = lazyView(() => import('./TermsPolicies').then((m) => m.TermsPolicies), 'the terms');
export const TermsTryOut = lazyDialog(() => import('./TermsTryOut').then((m) => m.TermsTryOut));
