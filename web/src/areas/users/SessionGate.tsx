import { useQueryClient } from '@tanstack/react-query';
import { Modal } from 'antd';
import { useEffect, useState, type ReactNode } from 'react';
import type { SessionView } from '../../api/generated';
import { signedOut } from '../../api/problem';
import { SignInForm } from './SignInForm';
import { SignInPage } from './SignInPage';
import { useSession } from './useSession';

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
  if (session.isError)
    return (
      <p className="pad">The server does not answer. Check that the program is running, then load the page again.</p>
    );
  if (!session.data) return null;
  const user = session.data.user;
  if (!user) return <SignInPage session={session.data} />;
  const again = (s: SessionView) => {
    setEnded(false);
    client.setQueryData(['session'], s);
    void client.invalidateQueries();
  };
  return (
    <>
      {children}
      {ended && (
        <Modal
          open
          title="Your session has ended"
          footer={null}
          closable={false}
          width={420}
          zIndex={2000}
          keyboard={false}
        >
          <p className="muted" style={{ marginTop: 0 }}>
            Nothing you typed is lost. Sign in again, then send it once more.
          </p>
          <SignInForm name={user.name} onDone={again} />
        </Modal>
      )}
    </>
  );
}
