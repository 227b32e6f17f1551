import { NavLink, Outlet } from 'react-router-dom';
import { useMay } from '../../shell/session';
import { SettingUp } from '../company';

const parts = [
  ['terms', 'Terms'],
  ['late-charges', 'Late charges'],
  ['reminders', 'Reminder plans'],
  ['tax-codes', 'Tax codes'],
  ['reference-rates', 'Reference rates'],
  ['exchange-rates', 'Exchange rates'],
  ['calendars', 'Calendars'],
  ['company', 'Company'],
];

/** The policies of all areas, each on a page of its own. */
export function PoliciesPage() {
  const may = useMay();
  return (
    <div className="page">
      <h1 style={{ marginBottom: 4 }}>Policies</h1>
      <nav className="subnav" aria-label="Policies">
        {[...parts, ...(may('administrator') ? [['users', 'Users']] : [])].map(([to, name]) => (
          <NavLink key={to} to={to}>
            {name}
          </NavLink>
        ))}
      </nav>
      <SettingUp />
      <Outlet />
    </div>
  );
}
