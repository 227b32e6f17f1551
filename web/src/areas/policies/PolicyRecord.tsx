import { useQuery } from '@tanstack/react-query';
import { Link } from 'react-router-dom';
import { getPolicyHistory, getPolicyUsers } from '../../api/generated';
import { answer } from '../../api/problem';
import { ChangesTable } from '../../shell/ChangesTable';
import type { Entry } from './PolicyList';

/** Who uses a policy, and what was changed on it. */
export function PolicyRecord({ kind, policy }: { kind: string; policy: Entry }) {
  const { code } = policy;
  const users = useQuery({
    queryKey: ['policy-users', kind, code],
    queryFn: () => answer(getPolicyUsers({ path: { kind }, query: { code } })),
  });
  const history = useQuery({
    queryKey: ['policy-history', kind, code, policy.version],
    queryFn: () => answer(getPolicyHistory({ path: { kind }, query: { code } })),
  });
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
        {history.data && <ChangesTable rows={history.data} />}
      </details>
    </>
  );
}
