import { lazyDialog, lazyView } from '../../shell/lazily';

export { BankAccounts } from './BankAccounts';
export { OwnBankAccounts } from './OwnBankAccounts';
export { ToSettleCard } from './ToSettleCard';
export const CashPage = lazyView(() => import('./CashPage').then((m) => m.CashPage), 'the bank statements', 10);
export const TakePayment = lazyDialog(() => import('./TakePayment').then((m) => m.TakePayment));
export const Refund = lazyDialog(() => import('./Refund').then((m) => m.Refund));
export const SetOff = lazyDialog(() => import('./SetOff').then((m) => m.SetOff));
