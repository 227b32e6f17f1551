import { useQuery } from '@tanstack/react-query';
import { getAccountChangesOptions } from '../../api/generated/@tanstack/react-query.gen';
import { Loaded } from '../../shell/Loaded';
import { ChangesTable } from '../../table/ChangesTable';

/** What was changed on an account, by whom and why. */
export function AccountChanges({ code }: { code: string }) {
  const query = useQuery(getAccountChangesOptions({ path: { code } }));
  return (
    <Loaded query={query} what="the changes">
      {(rows) => <ChangesTable rows={rows} />}
    </Loaded>
  );
}
