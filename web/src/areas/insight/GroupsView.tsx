import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { useNavigate } from 'react-router-dom';
import { listGroupsOptions } from '../../api/generated/@tanstack/react-query.gen';
import { Loaded } from '../../shell/Loaded';
import { useListKeys } from '../../table/useListKeys';
import { asQuery, asRequest, type BoardView } from './boardQuery';
import { GroupLine } from './GroupLine';

/** Groups with their own limits that have an account in the view; each unfolds to those accounts. */
export function GroupsView({ view, byMoney }: { view: BoardView; byMoney: boolean }) {
  const go = useNavigate();
  const query = useQuery({ ...listGroupsOptions({ query: asRequest(view) }), placeholderData: keepPreviousData });
  const [open, setOpen] = useState<readonly string[]>([]);
  const groups = query.data ?? [];
  const fold = (name: string | undefined, to?: boolean) =>
    name !== undefined && setOpen((o) => ((to ?? !o.includes(name)) ? [...o, name] : o.filter((n) => n !== name)));
  const { at, setAt } = useListKeys(groups.length, (chosen) => ({
    ArrowRight: () => fold(groups[chosen]?.name, true),
    ArrowLeft: () => fold(groups[chosen]?.name, false),
    Enter: () => groups[chosen] && void go(`/groups/${encodeURIComponent(groups[chosen].name)}`),
  }));
  const scale = byMoney
    ? Math.max(1, ...groups.map((g) => Math.max(Number(g.exposure), Number(g.effectiveLimit))))
    : undefined;
  const narrowed = Object.keys(asQuery(view)).some((k) => !['sort', 'asOf', 'since'].includes(k));
  return (
    <div className="card" style={{ overflow: 'auto' }}>
      <Loaded query={query} what="the groups" lines={8}>
        {() => (
          <>
            <table className="grid" aria-label="Groups">
              <thead>
                <tr>
                  <th>Group</th>
                  <th>Exposure against limit</th>
                  <th className="figure">Exposure</th>
                  <th className="figure">Limit</th>
                  <th className="figure">Headroom</th>
                  <th className="figure">Overdue</th>
                  {view.since && <th className="figure">Change</th>}
                </tr>
              </thead>
              <tbody>
                {groups.map((g, i) => (
                  <GroupLine
                    key={g.name}
                    group={g}
                    view={view}
                    scale={scale}
                    on={i === at}
                    open={open.includes(g.name)}
                    onFold={() => {
                      setAt(i);
                      fold(g.name);
                    }}
                  />
                ))}
              </tbody>
            </table>
            {groups.length === 0 && (
              <p className="muted pad">
                {narrowed
                  ? 'No group has an account that passes these filters. Take one off, or clear the text.'
                  : 'No account names a group yet. Give one in the customer’s record.'}
              </p>
            )}
          </>
        )}
      </Loaded>
    </div>
  );
}
