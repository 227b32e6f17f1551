import { lazyDialog, lazyView } from '../../shell/lazily';

export const IssueReminder = lazyDialog(() => import('./IssueReminder').then((m) => m.IssueReminder));
export const Reminders = lazyView(() => import('./Reminders').then((m) => m.Reminders), 'the reminders');
export const ReminderPlans = lazyView(() => import('./ReminderPlans').then((m) => m.ReminderPlans), 'the plans');
