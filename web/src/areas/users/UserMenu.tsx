import { useQueryClient } from '@tanstack/react-query';
import { App, Dropdown } from 'antd';
import { useState } from 'react';
import { signOut } from '../../api/generated';
import { getSessionQueryKey } from '../../api/generated/@tanstack/react-query.gen';
import { answer, asProblem } from '../../api/problem';
import { lazyDialog } from '../../shell/lazily';
import { useSession } from '../../shell/session';

const OwnPassword = lazyDialog(() => import('./OwnPassword').then((m) => m.OwnPassword));
const OwnAuthority = lazyDialog(() => import('./OwnAuthority').then((m) => m.OwnAuthority));

/** Who is signed in, how far he or she may go, and the way out. */
export function UserMenu() {
  const { data } = useSession();
  const client = useQueryClient();
  const { message } = App.useApp();
  const [opened, setOpened] = useState<'authority' | 'password' | null>(null);
  const user = data?.user;
  if (!data || !user) return null;
  const out = async () => {
    try {
      client.setQueryData(getSessionQueryKey(), await answer(signOut()));
      // Nothing of what was seen stays for the next one at this desk.
      const session = getSessionQueryKey()[0]._id;
      client.removeQueries({
        predicate: ({ queryKey }) => (queryKey[0] as { _id?: string } | undefined)?._id !== session,
      });
    } catch (e) {
      void message.error(asProblem(e).detail);
    }
  };
  return (
    <>
      <Dropdown
        trigger={['click']}
        menu={{
          items: [
            { key: 'authority', label: 'What I may decide', onClick: () => setOpened('authority') },
            { key: 'password', label: 'Change my password', onClick: () => setOpened('password') },
            { type: 'divider' },
            { key: 'out', label: 'Sign out', onClick: () => void out() },
          ],
        }}
      >
        <button type="button" className="chip" aria-label={`Signed in as ${user.fullName}`}>
          {user.fullName}
        </button>
      </Dropdown>
      {opened === 'password' && <OwnPassword onClose={() => setOpened(null)} />}
      {opened === 'authority' && (
        <OwnAuthority user={user} currency={data.baseCurrency} onClose={() => setOpened(null)} />
      )}
    </>
  );
}
