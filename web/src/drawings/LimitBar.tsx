import type { AccountRow } from '../api/generated';
import { isNegative, money, size } from '../format/money';
import { ageColour, bucketName } from './ages';

/** What a limit bar needs of an account or a group. */
export type Bar = Pick<AccountRow, 'limit' | 'effectiveLimit' | 'exposure' | 'headroom' | 'uplift'> & {
  bar: string[];
  ageing: { bucket: string }[];
  disputed?: string;
};

/**
 * One account's exposure against its limit: open items by age, money not cleared dotted, orders hatched, the limit a
 * mark, an uplift dashed, and a line above it as long as what is in dispute.
 */
export function LimitBar({ row, scale, large }: { row: Bar; scale?: number; large?: boolean }) {
  const standing = Number(row.limit);
  const limit = Number(row.effectiveLimit);
  const exposure = Math.max(0, Number(row.exposure));
  const full = Math.max(scale ?? Math.max(limit, exposure), 1);
  const at = (amount: number) => `${Math.min(100, (amount / full) * 100)}%`;
  const over = isNegative(row.headroom);
  const disputed = Number(row.disputed ?? 0);
  // Where each part starts is the sum of the parts before it.
  const starts = row.bar.map((_, i) => row.bar.slice(0, i).reduce((sum, part) => sum + Number(part), 0));
  const label =
    `Exposure ${money(row.exposure)} against a limit of ${money(row.effectiveLimit)}, ` +
    (over ? `over by ${size(row.headroom)}` : `${money(row.headroom)} left`) +
    (disputed > 0 ? `, ${money(row.disputed ?? '0')} in dispute` : '');
  return (
    <div className={`limit-bar${over ? ' over' : ''}${large ? ' large' : ''}`} role="img" aria-label={label}>
      <div className="track" style={{ width: at(standing) }} />
      {limit > standing && (
        <div
          className="uplift"
          style={{ left: at(standing), width: at(limit - standing) }}
          title={`Uplift ${money(row.uplift)}`}
        />
      )}
      {row.bar.map((part, i) => {
        if (Number(part) <= 0) return null;
        const orders = i === row.bar.length - 1;
        const uncleared = i === row.bar.length - 2;
        const name = orders ? 'Orders' : uncleared ? 'Not cleared' : bucketName(row.ageing[i]?.bucket ?? '');
        return (
          <div
            key={i}
            className={orders ? 'part hatch' : uncleared ? 'part dots' : 'part'}
            style={{
              left: at(starts[i]),
              width: at(Number(part)),
              ...(orders || uncleared ? {} : { background: ageColour(i) }),
            }}
            title={`${name} ${money(part)}`}
          />
        );
      })}
      {disputed > 0 && (
        <div className="disputed" style={{ width: at(disputed) }} title={`In dispute ${money(row.disputed ?? '0')}`} />
      )}
      {over && <div className="beyond" style={{ left: at(limit), width: at(exposure - limit) }} />}
      <div className="mark" style={{ left: at(limit) }} />
    </div>
  );
}

export function AgeLegend({ buckets }: { buckets: string[] }) {
  return (
    <div className="legend" aria-hidden="true">
      {buckets.map((bucket, i) => (
        <span key={bucket}>
          <i style={{ background: ageColour(i) }} />
          {bucketName(bucket)}
        </span>
      ))}
      <span>
        <i className="dots" />
        Not cleared
      </span>
      <span>
        <i className="hatch" />
        Orders
      </span>
      <span>
        <i style={{ height: 2, background: 'var(--ink)' }} />
        In dispute
      </span>
      <span>
        <i style={{ width: 2, background: 'var(--ink)' }} />
        Limit
      </span>
    </div>
  );
}
