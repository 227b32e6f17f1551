import type { ReactNode } from 'react';

export interface Column<R> {
  /** What stands above it; what has a name for screen readers alone is given as `hidden`. */
  title?: ReactNode;
  hidden?: string;
  /** An amount or another number: aligned at the right, in figures of one width. */
  figure?: boolean;
  className?: string;
  width?: number | string;
  cell: (row: R, index: number) => ReactNode;
}

/** A table of records. */
export function Grid<R>({
  label,
  rows,
  keyOf,
  columns,
  empty,
  rowClass,
  bare,
}: {
  label: string;
  rows: readonly R[];
  keyOf: (row: R, index: number) => string | number;
  columns: readonly (Column<R> | false | null | undefined)[];
  /** What stands there instead of an empty table: what to do next. */
  empty?: ReactNode;
  rowClass?: (row: R, index: number) => string | undefined;
  /** Without headings. */
  bare?: boolean;
}) {
  if (rows.length === 0 && empty !== undefined) return <p className="muted pad">{empty}</p>;
  const shown = columns.filter((c) => !!c);
  const classes = (c: Column<R>) => [c.figure && 'figure', c.className].filter(Boolean).join(' ') || undefined;
  return (
    <table className="grid" aria-label={label}>
      {!bare && (
        <thead>
          <tr>
            {shown.map((c, i) => (
              <th key={i} scope="col" className={c.figure ? 'figure' : undefined} style={{ width: c.width }}>
                {c.hidden ? <span className="hidden-text">{c.hidden}</span> : c.title}
              </th>
            ))}
          </tr>
        </thead>
      )}
      <tbody>
        {rows.map((row, index) => (
          <tr key={keyOf(row, index)} className={rowClass?.(row, index)}>
            {shown.map((c, i) => (
              <td key={i} className={classes(c)} style={bare ? { width: c.width } : undefined}>
                {c.cell(row, index)}
              </td>
            ))}
          </tr>
        ))}
      </tbody>
    </table>
  );
}
