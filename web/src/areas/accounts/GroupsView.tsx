import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { Link } from 'react-router-dom';
import { listAccounts, listGroups, type GroupRow } from '../../api/generated';
import { answer } from '../../api/problem';
import { LimitBar } from '../../drawings/LimitBar';
import { isNegative, money, moneyOrDash, size } from '../../format/money';

/** Groups with their own limits; each unfolds to its accounts. */
export function GroupsView({ asOf }: { asOf: string }) {
  const { data } = useQuery({ queryKey: ['groups', asOf], queryFn: () => answer(listGroups({ query: asOf ? { asOf } : {} })) });
  return (
    <div className="card" style={{ overflow: 'auto' }}>
      <table className="grid" aria-label="Groups">
        <thead>
          <tr>
            <th>Group</th>
            <th>Exposure against limit</th>
            <th className="figure">Exposure</th>
            <th className="figure">Limit</th>
            <th className="figure">Headroom</th>
            <th className="figure">Overdue</th>
          </tr>
        </thead>
        <tbody>
          {data?.map((g) => (
            <Unfolding key={g.name} group={g} asOf={asOf} />
          ))}
        </tbody>
      </table>
      {data?.length === 0 && <p className="muted pad">No account names a group yet. Give one in the customer’s record.</p>}
    </div>
  );
}

function Unfolding({ group: g, asOf }: { group: GroupRow; asOf: string }) {
  const [open, setOpen] = useState(false);
  const members = useQuery({
    queryKey: ['group-members', g.name, asOf],
    queryFn: () => answer(listAccounts({ query: { group: g.name, pageSize: 1000, sort: 'code', ...(asOf ? { asOf } : {}) } })),
    enabled: open,
  });
  const headroom = !g.hasLimit ? '' : isNegative(g.headroom) ? `Over by ${size(g.headroom)}` : money(g.headroom);
  return (
    <>
      <tr>
        <td>
          <button
            type="button"
            className="linkish"
            aria-expanded={open}
            aria-label={`Accounts of ${g.name}`}
            onClick={() => setOpen(!open)}
          >
            {open ? '▾' : '▸'}
          </button>{' '}
          <Link to={`/groups/${encodeURIComponent(g.name)}`}>{g.name}</Link>
          <div className="muted small">
            {g.accounts} accounts{g.parent ? ` · part of ${g.parent}` : ''}
            {g.missing.length > 0 ? ` · no rate for ${g.missing.join(', ')}` : ''}
          </div>
        </td>
        <td style={{ width: '34%' }}>
          <LimitBar row={g} />
        </td>
        <td className="figure">
          {money(g.exposure)} <span className="muted small">{g.currency}</span>
        </td>
        <td className="figure">{g.hasLimit ? money(g.effectiveLimit) : 'none'}</td>
        <td className={`figure strong${g.hasLimit && isNegative(g.headroom) ? ' alarm' : ''}`}>{headroom}</td>
        <td />
      </tr>
      {open &&
        members.data?.items.map((a) => (
          <tr key={a.code}>
            <td style={{ paddingLeft: 34 }}>
              <Link to={`/accounts/${encodeURIComponent(a.code)}`}>{a.name}</Link> <span className="muted small">{a.code}</span>
            </td>
            <td>
              <LimitBar row={a} />
            </td>
            <td className="figure">
              {money(a.exposure)} <span className="muted small">{a.currency}</span>
            </td>
            <td className="figure">{money(a.effectiveLimit)}</td>
            <td className={`figure${isNegative(a.headroom) ? ' alarm' : ''}`}>
              {isNegative(a.headroom) ? `Over by ${size(a.headroom)}` : money(a.headroom)}
            </td>
            <td className="figure">{moneyOrDash(a.overdue)}</td>
          </tr>
        ))}
    </>
  );
}
