import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { Button } from 'antd';
import type { SlipView } from '../../api/generated';
import { listSlipsOptions } from '../../api/generated/@tanstack/react-query.gen';
import { day } from '../../format/dates';
import { money } from '../../format/money';
import { Loaded } from '../../shell/Loaded';
import { Grid } from '../../table/Grid';
import { Slip } from './Slip';

const credited = (slip: SlipView) => (slip.isVoid ? 'void' : slip.credited ? money(slip.credited) : 'waits');

/** Slips that money was banked with, and what the bank credited. */
export function Slips() {
  const query = useQuery(listSlipsOptions());
  const [open, setOpen] = useState<SlipView | null>(null);
  return (
    <section className="card" aria-label="Paying-in slips">
      <div className="pad">
        <h2 className="in-hand-name">Paying-in slips</h2>
      </div>
      <Loaded query={query} what="the slips" lines={6}>
        {({ items }) => (
          <Grid
            label="Paying-in slips"
            rows={items}
            keyOf={(s) => s.id}
            empty="No slip was written yet. The line of the bank statement that credits it settles it."
            columns={[
              {
                title: 'Slip',
                className: 'nowrap',
                cell: (s) => (
                  <Button size="small" type="text" onClick={() => setOpen(s)}>
                    {s.number}
                  </Button>
                ),
              },
              { title: 'Banked', className: 'nowrap', cell: (s) => day(s.bankedOn) },
              { title: 'Expected', figure: true, cell: (s) => money(s.expected) },
              { title: 'Credited', figure: true, cell: credited },
            ]}
          />
        )}
      </Loaded>
      {open && <Slip slip={open} onClose={() => setOpen(null)} />}
    </section>
  );
}
