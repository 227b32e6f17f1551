import { lazyDialog } from '../../shell/lazily';

export const InvoiceOrder = lazyDialog(() => import('./InvoiceOrder').then((m) => m.InvoiceOrder));
