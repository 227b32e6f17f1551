import { useQuery } from '@tanstack/react-query';
import { Link } from 'react-router-dom';
import { getPolicyHistoryOptions, getPolicyUsersOptions } from '../../api/generated/@tanstack/react-query.gen';
import { Loaded } from '../../shell/Loaded';
import { ChangesTable } from '../../table/ChangesTable';
import type { Entry } from './PolicyList';

/** Who uses a policy, and what was changed on it. */
export function PolicyRecord({ kind, policy }: { kind: string; policy: Entry }) {
  const { code } = policy;
  const users = useQuery(getPolicyUsersOptions({ path: { kind }, query: { code } }));
  const history = useQuery(getPolicyHistoryOptions({ path: { kind }, query: { code } }));
  return (
    <>
      {users.data && users.data.total > 0 && (
        <details className="fold">
          <summary>{users.data.total === 1 ? 'Used by 1 account' : `Used by ${users.data.total} accounts`}</summary>
          <p className="small">
            {users.data.first.map((user, i) => (
              <span key={user.code}>
                {i > 0 && ' · '}
                <Link to={`/accounts/${encodeURIComponent(user.code)}`}>{user.name}</Link>
              </span>
            ))}
            {users.data.total > users.data.first.length && ` and ${users.data.total - users.data.first.length} more`}
          </p>
        </details>
      )}
      <details className="fold">
        <summary>{policy.version === 1 ? 'History: 1 version' : `History: ${policy.version} versions`}</summary>
        <Loaded query={history} what="the history" lines={3}>
          {(rows) => <ChangesTable rows={rows} />}
        </Loaded>
      </details>
    </>
  );
}
