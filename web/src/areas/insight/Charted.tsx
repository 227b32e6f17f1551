import { Button } from 'antd';
import { useState, type ReactNode } from 'react';

/** A drawing and the table behind it, of which one is shown. */
export function Charted({ title, drawing, table }: { title: ReactNode; drawing: ReactNode; table: ReactNode }) {
  const [asTable, setAsTable] = useState(false);
  return (
    <section className="card charted">
      <div className="row-between">
        <h2>{title}</h2>
        <Button size="small" aria-pressed={asTable} onClick={() => setAsTable(!asTable)}>
          {asTable ? 'As a drawing' : 'As a table'}
        </Button>
      </div>
      {asTable ? <div className="charted-table">{table}</div> : drawing}
    </section>
  );
}
