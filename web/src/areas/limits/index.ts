import { lazyDialog, lazyView } from '../../shell/lazily';

export const GroupPage = lazyView(() => import('./GroupPage').then((m) => m.GroupPage), 'the group', 12);
export const Limits = lazyView(() => import('./Limits').then((m) => m.Limits), 'the limit');
export const ChangeLimit = lazyDialog(() => import('./ChangeLimit').then((m) => m.ChangeLimit));
export const ChangeState = lazyDialog(() => import('./ChangeState').then((m) => m.ChangeState));
