import { Button, Checkbox } from 'antd';
import { extraColumns, usualColumns, type BoardColumn } from './BoardColumns';

/** Which columns stand beside name, state and limit bar. */
export function ColumnChoice({ chosen, onChange }: { chosen: BoardColumn[]; onChange: (keys: string[]) => void }) {
  const keys = chosen.map((c) => c.key);
  return (
    <div style={{ display: 'grid', gap: 4 }} role="group" aria-label="Columns">
      {extraColumns.map((c) => (
        <Checkbox
          key={c.key}
          checked={keys.includes(c.key)}
          onChange={(e) =>
            onChange(extraColumns.map((x) => x.key).filter((k) => (k === c.key ? e.target.checked : keys.includes(k))))
          }
        >
          {c.name}
        </Checkbox>
      ))}
      <Button size="small" onClick={() => onChange(usualColumns)}>
        The usual ones
      </Button>
    </div>
  );
}
