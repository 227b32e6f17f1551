import { lazyDialog, lazyView } from '../../shell/lazily';

export const OutboxPage = lazyView(() => import('./OutboxPage').then((m) => m.OutboxPage), 'the outbox');
export const SendDocument = lazyDialog(() => import('./SendDocument').then((m) => m.SendDocument));
