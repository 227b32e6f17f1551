import { lazyView } from '../../shell/lazily';

export { SettingUp } from './SettingUp';
export const CompanySettings = lazyView(
  () => import('./CompanySettings').then((m) => m.CompanySettings),
  'the settings',
  10,
);
