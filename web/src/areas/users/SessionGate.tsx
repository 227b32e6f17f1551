import { useQueryClient } from '@tanstack/react-query';
import { useEffect, useState, type ReactNode } from 'react';
import type { SessionView } from '../../api/generated';
import { getSessionQueryKey } from '../../api/generated/@tanstack/react-query.gen';
import { signedOut } from '../../api/problem';
import { lazyDialog, lazyView } from '../../shell/lazily';
import { Failed, Waiting } from '../../shell/Loaded';
import { useSession } from '../../shell/session';

const SignInPage = lazyView(() => import('./SignInPage').then((m) => m.SignInPage), 'the sign-in');
const SignInAgain = lazyDialog(() => import('./SignInAgain').then((m) => m.SignInAgain));

/**
 * Lets nobody in who is not signed in. When a session ends in the middle of something, the page stays as it is behind
 * the sign-in.
 */
export function SessionGate({ children }: { children: ReactNode }) {
  const session = useSession();
  const client = useQueryClient();
  const [ended, setEnded] = useState(false);
  useEffect(() => {
    const end = () => setEnded(true);
    window.addEventListener(signedOut, end);
    return () => window.removeEventListener(signedOut, end);
  }, []);
  if (!session.data)
    return (
      <main className="page">
        {session.isError ? (
          <Failed error={session.error} onRetry={() => void session.refetch()} />
        ) : (
          <Waiting what="who is signed in" />
        )}
      </main>
    );
  const again = (s: SessionView) => {
    setEnded(false);
    client.setQueryData(getSessionQueryKey(), s);
    void client.invalidateQueries();
  };
  const { user } = session.data;
  if (!user) return <SignInPage session={session.data} onDone={again} />;
  return (
    <>
      {children}
      {ended && <SignInAgain name={user.name} onDone={again} />}
    </>
  );
}
