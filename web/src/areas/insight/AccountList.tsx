import { useEffect, useMemo, useRef } from 'react';
import { Link, useNavigate } from 'react-router-dom';
import { LimitBar } from '../../drawings/LimitBar';
import { isNegative, money, size } from '../../format/money';
import { useKeys } from '../../shell/keys';
import { Failed, Waiting } from '../../shell/Loaded';
import { stepped } from '../../table/useListKeys';
import { lastBoard, lastView, useBoard } from './boardQuery';

/** The list the account was opened from, so that the next call is one key away. */
export function AccountList({ code }: { code: string }) {
  const view = useMemo(() => lastView(), []);
  const board = useBoard(view);
  const go = useNavigate();
  const current = useRef<HTMLAnchorElement>(null);
  const rows = board.data?.pages.flatMap((p) => p.items) ?? [];
  const at = rows.findIndex((r) => r.code === code);
  const to = (target: string) => `/accounts/${encodeURIComponent(target)}`;
  const step = (by: number) => {
    const next = rows[stepped(at, by, rows.length)];
    if (next && next.code !== code) void go(to(next.code));
  };
  useKeys({ j: () => step(1), k: () => step(-1) });
  useEffect(() => {
    // Newer browsers answer with a promise, which an effect must not return.
    void current.current?.scrollIntoView({ block: 'nearest' });
  }, [code, rows.length]);
  return (
    <nav className="account-list" aria-label="Accounts">
      <div className="head">
        <Link to={lastBoard()}>{board.data?.pages[0].total ?? ''} accounts</Link>
        <span>
          <kbd>J</kbd>
          <kbd>K</kbd>
        </span>
      </div>
      {!board.data &&
        (board.error ? (
          <Failed error={board.error} onRetry={() => void board.refetch()} />
        ) : (
          <Waiting what="the list" />
        ))}
      {rows.map((row) => (
        <Link
          key={row.code}
          ref={row.code === code ? current : undefined}
          to={to(row.code)}
          className={row.code === code ? 'on' : ''}
          aria-current={row.code === code ? 'page' : undefined}
        >
          <div className="strong ellipsis">{row.name}</div>
          <LimitBar row={row} />
          <div className="row-between small muted" style={{ flexWrap: 'nowrap' }}>
            <span>{row.code}</span>
            <span className={`figure${isNegative(row.headroom) ? ' alarm' : ''}`}>
              {isNegative(row.headroom) ? `Over by ${size(row.headroom)}` : money(row.headroom)}
            </span>
          </div>
        </Link>
      ))}
      {board.hasNextPage && (
        <div className="pad">
          <button type="button" className="linkish" onClick={() => void board.fetchNextPage()}>
            Show more
          </button>
        </div>
      )}
    </nav>
  );
}
