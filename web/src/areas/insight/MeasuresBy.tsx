import type { ReactNode } from 'react';
import type { MeasuresByView, MeasuresOfView } from '../../api/generated';
import { Grid } from '../../table/Grid';
import { measures } from './measures';

/** Measures of owners, groups or others side by side; each opens what it is made of. */
export const MeasuresBy = ({
  side,
  title,
  onOpen,
  onWorkings,
}: {
  side: MeasuresByView;
  title: ReactNode;
  onOpen: (key: string) => void;
  onWorkings: (of: MeasuresOfView) => void;
}) => (
  <div className="card side">
    <Grid
      label="Side by side"
      rows={side.items}
      keyOf={(of) => of.key}
      empty="There are no accounts yet."
      columns={[
        {
          title,
          className: 'ellipsis',
          cell: (of) => (
            <button type="button" className="linkish" onClick={() => onOpen(of.key)}>
              {of.name || of.key || 'None'}
            </button>
          ),
        },
        ...measures
          .filter((m) => m.compared)
          .map((m) => ({ title: m.name, figure: true, cell: (of: MeasuresOfView) => m.text(of.measures) })),
        {
          hidden: 'Workings',
          className: 'nowrap',
          cell: (of) => (
            <button type="button" className="linkish" onClick={() => onWorkings(of)}>
              Workings
            </button>
          ),
        },
      ]}
    />
    {side.total > side.items.length && (
      <p className="muted small pad">
        The first {side.items.length} of {side.total}.
      </p>
    )}
  </div>
);
