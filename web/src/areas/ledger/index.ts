import { lazyDialog, lazyView } from '../../shell/lazily';

export { EffectPanel } from './EffectPanel';
export { JournalTable } from './JournalTable';
export { ItemsTable } from './ItemsTable';
export { Parts } from './Parts';
export { openPromises, ReplacesField } from './ReplacesField';
export { usePostingActions } from './usePostingActions';
export const Ledger = lazyView(() => import('./Ledger').then((m) => m.Ledger), 'the ledger');
export const JournalView = lazyView(() => import('./JournalView').then((m) => m.JournalView), 'the journal');
export const Claims = lazyView(() => import('./Claims').then((m) => m.Claims), 'promises and disputes');
export const OpeningItem = lazyDialog(() => import('./OpeningItem').then((m) => m.OpeningItem));
export const Settled = lazyDialog(() => import('./Settled').then((m) => m.Settled));
export const Undo = lazyDialog(() => import('./Undo').then((m) => m.Undo));
export const WriteOffItem = lazyDialog(() => import('./WriteOffItem').then((m) => m.WriteOffItem));
