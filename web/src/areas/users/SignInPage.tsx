import type { SessionView } from '../../api/generated';
import { Mark } from '../../shell/Mark';
import { lazyDialog } from '../../shell/lazily';
import { OfferedPeople } from './OfferedPeople';
import { SignInForm } from './SignInForm';

const FirstAdministrator = lazyDialog(() => import('./FirstAdministrator').then((m) => m.FirstAdministrator));

/** Where everybody comes in: by name and password, in the demo as one of its people, at first by the printed code. */
export const SignInPage = ({ session, onDone }: { session: SessionView; onDone: (s: SessionView) => void }) => (
  <main className="sign-in">
    <h1>
      <Mark /> Kite Line
    </h1>
    <div className="sign-in-cards">
      <section className="card pad" aria-label="Sign in">
        {session.firstUse ? (
          <>
            <h2>First administrator</h2>
            <p className="muted">
              There is no user yet. The program printed a code when it started; with it you become the first
              administrator.
            </p>
            <FirstAdministrator onDone={onDone} />
          </>
        ) : (
          <>
            <h2 style={{ marginBottom: 10 }}>Sign in</h2>
            <SignInForm onDone={onDone} />
          </>
        )}
      </section>
      {session.offered.length > 0 && (
        <OfferedPeople people={session.offered} currency={session.baseCurrency} onDone={onDone} />
      )}
    </div>
  </main>
);
