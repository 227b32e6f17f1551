import { NavLink, Outlet } from 'react-router-dom';

const parts = [
  ['ageing', 'Ageing'],
  ['measures', 'Measures'],
  ['leakage', 'Leakage'],
  ['cash', 'Cash forecast'],
  ['provision', 'Provision'],
  ['what-if', 'What if'],
  ['mailed', 'Mailed'],
];

/** What the book shows over time, each question on a page of its own. */
export const InsightPage = () => (
  <div className="page sheet insight-sheet">
    <div className="headline">
      <h1>Insight</h1>
      <nav className="subnav" aria-label="Insight">
        {parts.map(([to, name]) => (
          <NavLink key={to} to={to}>
            {name}
          </NavLink>
        ))}
      </nav>
    </div>
    <Outlet />
  </div>
);
