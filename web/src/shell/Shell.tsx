import { useState, type ReactNode } from 'react';
import { NavLink, Outlet, useNavigate } from 'react-router-dom';
import { BusinessDate } from './BusinessDate';
import { useKeys } from './keys';
import { lazyDialog } from './lazily';
import { AskBeforeLeaving } from './AskBeforeLeaving';
import { Mark } from './Mark';
import { Reading } from './Reading';

const FindBox = lazyDialog(() => import('./FindBox').then((m) => m.FindBox));
const KeyHelp = lazyDialog(() => import('./KeyHelp').then((m) => m.KeyHelp));

const areas = [
  { to: '/today', name: 'Today' },
  { to: '/accounts', name: 'Accounts' },
  { to: '/orders', name: 'Orders' },
  { to: '/cash', name: 'Cash' },
  { to: '/runs', name: 'Runs' },
  { to: '/outbox', name: 'Outbox' },
  { to: '/policies', name: 'Policies' },
  { to: '/insight', name: 'Insight' },
];

/** The frame: the areas, the find box, the business date, and who is signed in. */
export function Shell({ dark, onTheme, user }: { dark: boolean; onTheme: () => void; user: ReactNode }) {
  const [finding, setFinding] = useState(false);
  const [help, setHelp] = useState(false);
  const go = useNavigate();
  useKeys({
    ...Object.fromEntries(areas.map((area, i) => [String(i + 1), () => void go(area.to)])),
    '/': () => setFinding(true),
    '?': () => setHelp(true),
    n: () => void go('/accounts?new=1'),
  });
  return (
    <div className="frame">
      <AskBeforeLeaving />
      <header className="topbar">
        <NavLink to="/today" className="brand" aria-label="Kite Line, to Today">
          <Mark />
          <span>Kite Line</span>
        </NavLink>
        <nav aria-label="Areas">
          {areas.map((area) => (
            <NavLink key={area.to} to={area.to}>
              {area.name}
            </NavLink>
          ))}
        </nav>
        <button type="button" className="findbox" onClick={() => setFinding(true)}>
          <span>Find or do</span>
          <kbd>/</kbd>
        </button>
        <BusinessDate />
        {user}
        <button
          type="button"
          className="chip"
          onClick={onTheme}
          aria-label={dark ? 'Use the light theme' : 'Use the dark theme'}
        >
          {dark ? 'Light' : 'Dark'}
        </button>
        <button type="button" className="chip" onClick={() => setHelp(true)} aria-label="Keys">
          ?
        </button>
        <Reading />
      </header>
      <main style={{ minHeight: 0, overflow: 'hidden', display: 'grid' }}>
        <Outlet />
      </main>
      {finding && <FindBox onClose={() => setFinding(false)} />}
      {help && <KeyHelp onClose={() => setHelp(false)} />}
    </div>
  );
}
