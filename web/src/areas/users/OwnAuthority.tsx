import type { UserView } from '../../api/generated';
import { Dialog } from '../../form/Dialog';
import { Lines } from '../../table/Lines';
import { roleNames } from '../../words/people';
import { authorityParts, bound } from './authority';

/** How far who is signed in may go alone. */
export const OwnAuthority = ({
  user,
  currency,
  onClose,
}: {
  user: UserView;
  currency: string;
  onClose: () => void;
}) => (
  <Dialog title={`${user.fullName}, ${roleNames[user.role].toLowerCase()}`} onClose={onClose}>
    <Lines lines={authorityParts.map(([part, name]) => ({ name, value: bound(user.authority[part], currency) }))} />
  </Dialog>
);
