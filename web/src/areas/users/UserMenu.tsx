import { useState } from 'react';
import { lazyDialog } from '../../shell/lazily';
import { useSession } from '../../shell/session';

const OpenUserMenu = lazyDialog(() => import('./OpenUserMenu').then((m) => m.OpenUserMenu));

/** Who is signed in; the menu behind it is loaded when it is first wanted. */
export function UserMenu() {
  const { data } = useSession();
  const [wanted, setWanted] = useState(false);
  const user = data?.user;
  if (!data || !user) return null;
  const chip = (
    <button
      type="button"
      className="chip"
      aria-label={`Signed in as ${user.fullName}`}
      aria-haspopup="menu"
      onClick={() => setWanted(true)}
    >
      {user.fullName}
    </button>
  );
  return wanted ? <OpenUserMenu user={user} currency={data.baseCurrency} chip={chip} /> : chip;
}
