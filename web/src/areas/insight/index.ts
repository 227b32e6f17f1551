import { lazyView } from '../../shell/lazily';

export { AccountList } from './AccountList';
export { InsightPage } from './InsightPage';
export { TakeOut } from './TakeOut';
export { lastBoard } from './boardQuery';
export const AgeingPage = lazyView(() => import('./AgeingPage').then((m) => m.AgeingPage), 'the ageing', 12);
export const CashForecastPage = lazyView(
  () => import('./CashForecastPage').then((m) => m.CashForecastPage),
  'the forecast',
  12,
);
export const GroupStatement = lazyView(() => import('./GroupStatement').then((m) => m.GroupStatement), 'the statement');
export const LeakagePage = lazyView(() => import('./LeakagePage').then((m) => m.LeakagePage), 'the leakage', 12);
export const MailedPage = lazyView(() => import('./MailedPage').then((m) => m.MailedPage), 'the mailed views');
export const MeasuresPage = lazyView(() => import('./MeasuresPage').then((m) => m.MeasuresPage), 'the measures', 12);
export const ProvisionPage = lazyView(() => import('./ProvisionPage').then((m) => m.ProvisionPage), 'the provision');
export const BoardPage = lazyView(() => import('./BoardPage').then((m) => m.BoardPage), 'the accounts', 12);
export const Overview = lazyView(() => import('./Overview').then((m) => m.Overview), 'the overview', 10);
export const StatementOfAccount = lazyView(
  () => import('./StatementOfAccount').then((m) => m.StatementOfAccount),
  'the statement',
);
export const TodayPage = lazyView(() => import('./TodayPage').then((m) => m.TodayPage), 'what is to be decided', 12);
