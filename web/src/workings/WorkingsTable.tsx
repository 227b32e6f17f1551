import type { CSSProperties } from 'react';
import type { Working } from '../api/generated';
import { grouped } from '../format/money';
import { isFigure, parted, room } from './figures';

/** A derivation line by line: what, how it comes about, and its value. */
export function WorkingsTable({ workings }: { workings: Working[] }) {
  return (
    <table className="grid" style={{ '--decimals': `${room(workings.map((w) => w.value))}ch` } as CSSProperties}>
      <thead>
        <tr>
          <th>What</th>
          <th>How it comes about</th>
          <th className="figure">Value</th>
        </tr>
      </thead>
      <tbody>
        {workings.map((line, i) => (
          <tr key={i}>
            <td className="strong">{grouped(line.label)}</td>
            <td className="muted">{grouped(line.formula)}</td>
            <td className="figure">{isFigure(line.value) ? <Point value={line.value} /> : line.value}</td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}

/** A figure with its point under those above it. */
function Point({ value }: { value: string }) {
  const { whole, rest } = parted(value);
  return (
    <span className="point">
      <span>{whole}</span>
      <span>{rest}</span>
    </span>
  );
}
