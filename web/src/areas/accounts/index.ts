import { lazyDialog, lazyView } from '../../shell/lazily';

export const AccountPage = lazyView(() => import('./AccountPage').then((m) => m.AccountPage), 'the account', 12);
export const NewAccount = lazyDialog(() => import('./NewAccount').then((m) => m.NewAccount));
export const ChangeMany = lazyDialog(() => import('./ChangeMany').then((m) => m.ChangeMany));
