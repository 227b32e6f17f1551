import { useQueryClient } from '@tanstack/react-query';
import { App, Dropdown } from 'antd';
import { useState, type ReactElement } from 'react';
import { signOut, type UserView } from '../../api/generated';
import { getSessionQueryKey } from '../../api/generated/@tanstack/react-query.gen';
import { answer, asProblem } from '../../api/problem';
import { lazyDialog } from '../../shell/lazily';

const OwnPassword = lazyDialog(() => import('./OwnPassword').then((m) => m.OwnPassword));
const OwnAuthority = lazyDialog(() => import('./OwnAuthority').then((m) => m.OwnAuthority));

/** How far who is signed in may go, the own password, and the way out. */
export function OpenUserMenu({ user, currency, chip }: { user: UserView; currency: string; chip: ReactElement }) {
  const client = useQueryClient();
  const { message } = App.useApp();
  // It was asked for by a click, so it opens at once.
  const [open, setOpen] = useState(true);
  const [opened, setOpened] = useState<'authority' | 'password' | null>(null);
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
        open={open}
        onOpenChange={setOpen}
        menu={{
          items: [
            { key: 'authority', label: 'What I may decide', onClick: () => setOpened('authority') },
            { key: 'password', label: 'Change my password', onClick: () => setOpened('password') },
            { type: 'divider' },
            { key: 'out', label: 'Sign out', onClick: () => void out() },
          ],
        }}
      >
        {chip}
      </Dropdown>
      {opened === 'password' && <OwnPassword onClose={() => setOpened(null)} />}
      {opened === 'authority' && <OwnAuthority user={user} currency={currency} onClose={() => setOpened(null)} />}
    </>
  );
}
