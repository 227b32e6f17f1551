import { lazyDialog, lazyView } from '../../shell/lazily';

export const RunsPage = lazyView(() => import('./RunsPage').then((m) => m.RunsPage), 'the runs');
export const PauseReminders = lazyDialog(() => import('./PauseReminders').then((m) => m.PauseReminders));
export const RunPage = lazyView(() => import('./RunPage').then((m) => m.RunPage), 'the run');
