import { useQuery } from '@tanstack/react-query';
import { Link } from 'react-router-dom';
import type { GroupRow } from '../../api/generated';
import { listAccountsOptions } from '../../api/generated/@tanstack/react-query.gen';
import { LimitBar } from '../../drawings/LimitBar';
import { isNegative, money, moneyOrDash, signed, size } from '../../format/money';
import { Loaded } from '../../shell/Loaded';
import { asRequest, type BoardView } from './boardQuery';

/** A group of the board, and its accounts when it is unfolded. */
export function GroupLine({
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
    ...listAccountsOptions({ query: { ...asRequest(view), group: g.name, pageSize: 1000 } }),
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
      {open && !members.data && (
        <tr>
          <td colSpan={view.since ? 7 : 6}>
            <Loaded query={members} what={`the accounts of ${g.name}`} lines={2}>
              {() => null}
            </Loaded>
          </td>
        </tr>
      )}
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
