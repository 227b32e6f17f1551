import { useQuery } from '@tanstack/react-query';
import { App, Button } from 'antd';
import { useState } from 'react';
import { ofUsers } from '../../api/changes';
import { revokeKey, type KeyView, type UserView } from '../../api/generated';
import {
  getUserChangesOptions,
  listKeysOptions,
  listUsersOptions,
} from '../../api/generated/@tanstack/react-query.gen';
import { answer } from '../../api/problem';
import { useAct } from '../../form/useAct';
import { day } from '../../format/dates';
import { lazyDialog } from '../../shell/lazily';
import { Loaded } from '../../shell/Loaded';
import { useSession } from '../../shell/session';
import { ChangesTable } from '../../table/ChangesTable';
import { Grid } from '../../table/Grid';
import { roleNames } from '../../words/people';
import { authorityParts, bound, shortParts } from './authority';
import { SignIns } from './SignIns';

const UserForm = lazyDialog(() => import('./UserForm').then((m) => m.UserForm));
const KeyForm = lazyDialog(() => import('./KeyForm').then((m) => m.KeyForm));

/** Who may sign in and how far each may go; and the keys of other programs. */
export function UsersPage() {
  const users = useQuery(listUsersOptions());
  const keys = useQuery(listKeysOptions());
  const changes = useQuery(getUserChangesOptions());
  const currency = useSession().data?.baseCurrency ?? '';
  const act = useAct(ofUsers);
  const [editing, setEditing] = useState<UserView | 'new' | null>(null);
  const [making, setMaking] = useState(false);
  const { modal } = App.useApp();
  const revoke = (key: KeyView) =>
    void modal.confirm({
      title: `Revoke the key ‘${key.name}’?`,
      content: 'The program that uses it is refused from now on. What it did stays.',
      okText: 'Revoke',
      onOk: () => act(() => answer(revokeKey({ path: { id: key.id } }))),
    });
  return (
    <div style={{ display: 'grid', gap: 14 }}>
      <section className="card pad" aria-label="Users">
        <div className="row-between">
          <h2>Users</h2>
          <Button onClick={() => setEditing('new')}>Add a user</Button>
        </div>
        <Loaded query={users} what="the users">
          {(rows) => (
            <Grid
              label="Users"
              rows={rows}
              keyOf={(u) => u.id}
              rowClass={(u) => (u.active ? undefined : 'muted')}
              columns={[
                {
                  title: 'Name in the books',
                  cell: (u) => (
                    <button type="button" className="linkish strong" onClick={() => setEditing(u)}>
                      {u.fullName}
                    </button>
                  ),
                },
                { title: 'Signs in as', cell: (u) => (u.active ? u.name : `${u.name}, may not sign in`) },
                { title: 'Role', cell: (u) => roleNames[u.role] },
                ...authorityParts.map(([part]) => ({
                  title: shortParts[part],
                  cell: (u: UserView) => bound(u.authority[part], currency),
                })),
              ]}
            />
          )}
        </Loaded>
      </section>
      <section className="card pad" aria-label="Keys of other programs">
        <div className="row-between">
          <h2>Keys of other programs</h2>
          <Button onClick={() => setMaking(true)}>Make a key</Button>
        </div>
        <Loaded query={keys} what="the keys" lines={2}>
          {(rows) => (
            <Grid
              label="Keys of other programs"
              rows={rows}
              keyOf={(k) => k.id}
              empty="No other program calls yet. A key lets one ask, for instance, whether an order may go."
              columns={[
                { title: 'Key', className: 'strong', cell: (k) => k.name },
                { title: 'Role', cell: (k) => roleNames[k.role] },
                { title: 'Made', cell: (k) => `${day(k.madeAt.slice(0, 10))} by ${k.madeBy}` },
                {
                  title: 'State',
                  cell: (k) => (k.revokedAt ? `revoked ${day(k.revokedAt.slice(0, 10))} by ${k.revokedBy}` : 'in use'),
                },
                {
                  hidden: 'Actions',
                  figure: true,
                  cell: (k) =>
                    !k.revokedAt && (
                      <Button size="small" onClick={() => revoke(k)}>
                        Revoke
                      </Button>
                    ),
                },
              ]}
            />
          )}
        </Loaded>
      </section>
      <SignIns />
      <section className="card pad" aria-label="Changes">
        <h2>Changes</h2>
        <Loaded query={changes} what="the changes">
          {(rows) => <ChangesTable rows={rows} />}
        </Loaded>
      </section>
      {editing && (
        <UserForm user={editing === 'new' ? null : editing} currency={currency} onClose={() => setEditing(null)} />
      )}
      {making && <KeyForm onClose={() => setMaking(false)} />}
    </div>
  );
}
