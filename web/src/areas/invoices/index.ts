import { lazyDialog, lazyView } from '../../shell/lazily';

export const WriteInvoice = lazyDialog(() => import('./WriteInvoice').then((m) => m.WriteInvoice));
export const ReadDocuments = lazyDialog(() => import('./ReadDocuments').then((m) => m.ReadDocuments));
export const WriteCreditNote = lazyDialog(() => import('./WriteCreditNote').then((m) => m.WriteCreditNote));
export const History = lazyView(() => import('./History').then((m) => m.History), 'the documents');
