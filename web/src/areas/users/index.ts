import { lazyView } from '../../shell/lazily';

export { SessionGate } from './SessionGate';
export { UserMenu } from './UserMenu';
export const UsersPage = lazyView(() => import('./UsersPage').then((m) => m.UsersPage), 'the users', 10);
