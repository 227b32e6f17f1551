import { lazyDialog, lazyView } from '../../shell/lazily';

export { ToSettleCard } from './ToSettleCard';
export const CashPage = lazyView(() => import('./CashPage').then((m) => m.CashPage), 'what was posted', 10);
export const TakePayment = lazyDialog(() => import('./TakePayment').then((m) => m.TakePayment));
export const SetOff = lazyDialog(() => import('./SetOff').then((m) => m.SetOff));
