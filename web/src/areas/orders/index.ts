import { lazyView } from '../../shell/lazily';

export const OrdersPage = lazyView(() => import('./OrdersPage').then((m) => m.OrdersPage), 'the orders', 10);
export const AccountOrders = lazyView(() => import('./AccountOrders').then((m) => m.AccountOrders), 'the orders');
