import { lazyView } from '../../shell/lazily';

export const Calendars = lazyView(() => import('./Calendars').then((m) => m.Calendars), 'the calendars');
