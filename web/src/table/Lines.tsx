import type { ReactNode } from 'react';

export interface Line {
  name: ReactNode;
  value: ReactNode;
  /** `alarm` for what must be seen, `good` for what is taken off, `strong` and `total` for sums. */
  tone?: 'alarm' | 'good' | 'strong' | 'total';
}

/** Names at the left, figures at the right. Lines that are false are left out. */
export const Lines = ({
  label,
  lines,
}: {
  label?: string;
  lines: readonly (Line | false | '' | null | undefined)[];
}) => (
  <table className="lines" aria-label={label}>
    <tbody>
      {lines
        .filter((l) => !!l)
        .map(({ name, value, tone }, i) => (
          <tr key={i} className={tone === 'total' || tone === 'strong' ? tone : undefined}>
            <th scope="row">{name}</th>
            <td className={`figure${tone === 'alarm' || tone === 'good' ? ` ${tone}` : ''}`}>{value}</td>
          </tr>
        ))}
    </tbody>
  </table>
);
