import type { ReactNode } from 'react';
import type { OrderEffectView } from '../../api/generated';
import { LimitBar } from '../../drawings/LimitBar';
import { CheckPanel } from '../checks';

/** What an action on an order would do: the account's limit bar before and after it, and the check. */
export function BeforeAndAfter({
  effect,
  testid,
  note,
  children,
}: {
  effect: OrderEffectView;
  testid: string;
  note: ReactNode;
  children?: ReactNode;
}) {
  return (
    <div className="card pad" style={{ marginBottom: 12 }} data-testid={testid}>
      <LimitBar row={effect.before} />
      <div style={{ height: 6 }} />
      <LimitBar row={effect.after} />
      <p className="muted small" style={{ margin: '4px 0 8px' }}>
        {note}
      </p>
      {effect.check && <CheckPanel check={effect.check} />}
      {children}
    </div>
  );
}
