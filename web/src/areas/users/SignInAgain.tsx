import { Modal } from 'antd';
import type { SessionView } from '../../api/generated';
import { SignInForm } from './SignInForm';

/** The sign-in over a page whose session has ended; it cannot be closed, and the page stays as it was. */
export const SignInAgain = ({ name, onDone }: { name: string; onDone: (session: SessionView) => void }) => (
  <Modal open title="Your session has ended" footer={null} closable={false} width={420} zIndex={2000} keyboard={false}>
    <p className="muted" style={{ marginTop: 0 }}>
      Nothing you typed is lost. Sign in again, then send it once more.
    </p>
    <SignInForm name={name} onDone={onDone} />
  </Modal>
);
