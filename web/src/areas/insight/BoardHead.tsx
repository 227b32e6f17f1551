import { Button } from 'antd';
import type { BoardView } from '../../api/generated';
import { withCurrency } from '../../format/money';
import { useMay } from '../../shell/session';

/** What all accounts owe together, by currency, and the way to a new account. */
export function BoardHead({ board, onNew }: { board: BoardView | undefined; onNew: () => void }) {
  const may = useMay();
  return (
    <div className="headline">
      <h1>Accounts</h1>
      <div className="totals muted">
        {board?.totals.map((t, i) => (
          <span key={t.currency}>
            <b style={{ color: 'var(--ink)' }}>{withCurrency(t.exposure, t.currency)}</b>{' '}
            {i === 0 ? 'exposed on limits of' : 'on'}{' '}
            <b style={{ color: 'var(--ink)' }}>{withCurrency(t.limit, t.currency)}</b>
            {i === 0 && <>, {withCurrency(t.overdue, t.currency)} overdue</>}
          </span>
        ))}
      </div>
      {may('controller') && (
        <Button type="primary" style={{ marginLeft: 'auto' }} onClick={onNew}>
          New account <kbd>N</kbd>
        </Button>
      )}
    </div>
  );
}
