import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { Link, useNavigate } from 'react-router-dom';
import { listAccounts, listGroups, type GroupRow } from '../../api/generated';
import { answer } from '../../api/problem';
import { LimitBar } from '../../drawings/LimitBar';
import { isNegative, money, moneyOrDash, signed, size } from '../../format/money';
import { useKeys } from '../../shell/keys';
import { asQuery, asRequest, type BoardView } from './boardQuery';

/** Groups with their own limits that have an account in the view; each unfolds to those accounts. */
export function GroupsView({ view, byMoney }: { view: BoardView; byMoney: boolean }) {
  const go = useNavigate();
  const query = asRequest(view);
  const { data } = useQuery({
    queryKey: ['groups', view],
    queryFn: () => answer(listGroups({ query })),
    placeholderData: (d) => d,
  });
  const [at, setAt] = useState(0);
  const [open, setOpen] = useState<readonly string[]>([]);
  const groups = data ?? [];
  const chosen = Math.min(at, Math.max(0, groups.length - 1));
  const fold = (name: string | undefined, to?: boolean) =>
    name !== undefined && setOpen((o) => ((to ?? !o.includes(name)) ? [...o, name] : o.filter((n) => n !== name)));
  const move = (by: number) => setAt(Math.max(0, Math.min(groups.length - 1, chosen + by)));
  useKeys({
    j: () => move(1),
    k: () => move(-1),
    ArrowDown: () => move(1),
    ArrowUp: () => move(-1),
    ArrowRight: () => fold(groups[chosen]?.name, true),
    ArrowLeft: () => fold(groups[chosen]?.name, false),
    Enter: () => groups[chosen] && void go(`/groups/${encodeURIComponent(groups[chosen].name)}`),
  });
  const scale = byMoney
    ? Math.max(1, ...groups.map((g) => Math.max(Number(g.exposure), Number(g.effectiveLimit))))
    : undefined;
  const narrowed = Object.keys(asQuery(view)).some((k) => !['sort', 'asOf', 'since'].includes(k));
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
            {view.since && <th className="figure">Change</th>}
          </tr>
        </thead>
        <tbody>
          {groups.map((g, i) => (
            <Unfolding
              key={g.name}
              group={g}
              view={view}
              scale={scale}
              on={i === chosen}
              open={open.includes(g.name)}
              onFold={() => {
                setAt(i);
                fold(g.name);
              }}
            />
          ))}
        </tbody>
      </table>
      {data?.length === 0 && (
        <p className="muted pad">
          {narrowed
            ? 'No group has an account that passes these filters. Take one off, or clear the text.'
            : 'No account names a group yet. Give one in the customer’s record.'}
        </p>
      )}
    </div>
  );
}

function Unfolding({
  group: g,
  view,
  scale,
  on,
  open,
  onFold,
}: {
  group: GroupRow;
  view: BoardView;
  scale?: number;
  on: boolean;
  open: boolean;
  onFold: () => void;
}) {
  const members = useQuery({
    queryKey: ['group-members', g.name, view],
    queryFn: () => answer(listAccounts({ query: { ...asRequest(view), group: g.name, pageSize: 1000 } })),
    enabled: open,
  });
  const headroom = !g.hasLimit ? '' : isNegative(g.headroom) ? `Over by ${size(g.headroom)}` : money(g.headroom);
  return (
    <>
      <tr className={on ? 'on' : undefined}>
        <td>
          <button
            type="button"
            className="linkish"
            aria-expanded={open}
            aria-label={`Accounts of ${g.name}`}
            onClick={onFold}
          >
            {open ? '▾' : '▸'}
          </button>{' '}
          <Link to={`/groups/${encodeURIComponent(g.name)}`}>{g.name}</Link>
          <div className="muted small">
            {g.matching === g.accounts ? g.accounts : `${g.matching} of ${g.accounts}`} accounts
            {g.parent ? ` · part of ${g.parent}` : ''}
            {g.missing.length > 0 ? ` · no rate for ${g.missing.join(', ')}` : ''}
          </div>
        </td>
        <td style={{ width: '34%' }}>
          <LimitBar row={g} scale={scale} />
        </td>
        <td className="figure">
          {money(g.exposure)} <span className="muted small">{g.currency}</span>
        </td>
        <td className="figure">{g.hasLimit ? money(g.effectiveLimit) : 'none'}</td>
        <td className={`figure strong${g.hasLimit && isNegative(g.headroom) ? ' alarm' : ''}`}>{headroom}</td>
        <td className="figure">{moneyOrDash(g.overdue)}</td>
        {view.since && <td className="figure">{signed(g.change)}</td>}
      </tr>
      {open &&
        members.data?.items.map((a) => (
          <tr key={a.code}>
            <td style={{ paddingLeft: 34 }}>
              <Link to={`/accounts/${encodeURIComponent(a.code)}`}>{a.name}</Link>{' '}
              <span className="muted small">{a.code}</span>
            </td>
            <td>
              <LimitBar row={a} scale={scale} />
            </td>
            <td className="figure">
              {money(a.exposure)} <span className="muted small">{a.currency}</span>
            </td>
            <td className="figure">{money(a.effectiveLimit)}</td>
            <td className={`figure${isNegative(a.headroom) ? ' alarm' : ''}`}>
              {isNegative(a.headroom) ? `Over by ${size(a.headroom)}` : money(a.headroom)}
            </td>
            <td className="figure">{moneyOrDash(a.overdue)}</td>
            {view.since && <td className="figure">{signed(a.change)}</td>}
          </tr>
        ))}
    </>
  );
}
