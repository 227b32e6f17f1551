import { Button } from 'antd';
import { Exchange } from '../../table/Exchange';

export interface Entry {
  code: string;
  name: string;
  version: number;
  uses: number;
}

/** The policies of one kind, and the way to a new one. */
export function PolicyList({
  entries,
  current,
  onChoose,
  what,
  many,
  kind,
}: {
  entries: Entry[];
  current: string | null;
  onChoose: (code: string | null) => void;
  what: string;
  /** The same in the plural. */
  many: string;
  /** As in the address of its export. */
  kind: string;
}) {
  return (
    <div className="card list">
      {entries.map((entry) => (
        <button
          key={entry.code}
          type="button"
          aria-current={entry.code === current}
          onClick={() => onChoose(entry.code)}
        >
          <span className="strong">{entry.code}</span>
          {entry.name !== entry.code && <div className="small">{entry.name}</div>}
          <div className="muted small">
            version {entry.version}
            {entry.uses === 0 ? '' : entry.uses === 1 ? ', 1 account' : `, ${entry.uses} accounts`}
          </div>
        </button>
      ))}
      {entries.length === 0 && <p className="pad muted small">None yet. Fill in the form to add the first.</p>}
      <div className="pad stack">
        <Button onClick={() => onChoose(null)} type={current === null ? 'primary' : 'default'}>
          New {what}
        </Button>
        <Exchange kind={kind} what={many} />
      </div>
    </div>
  );
}
