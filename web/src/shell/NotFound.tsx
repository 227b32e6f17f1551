import { Link, useLocation } from 'react-router-dom';

/** An address that leads nowhere says so, with the ways back. */
export function NotFound() {
  const { pathname } = useLocation();
  return (
    <div className="page">
      <section className="card pad" style={{ maxWidth: 560 }}>
        <h1>There is no page at this address</h1>
        <p>
          <b style={{ overflowWrap: 'anywhere' }}>{pathname}</b> leads nowhere. It may have been mistyped, or cut off
          where it was copied.
        </p>
        <p>
          Go to <Link to="/today">Today</Link>, to <Link to="/accounts">Accounts</Link>, or look for what you need with{' '}
          <kbd>/</kbd>
        </p>
      </section>
    </div>
  );
}
