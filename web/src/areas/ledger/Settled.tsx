import { useQuery } from '@tanstack/react-query';
import { Button } from 'antd';
import { useState } from 'react';
import type { LedgerRowView, SettledByView } from '../../api/generated';
import { listSettledOptions } from '../../api/generated/@tanstack/react-query.gen';
import { Dialog } from '../../form/Dialog';
import { day } from '../../format/dates';
import { isZero, money, moneyOrDash } from '../../format/money';
import { Loaded } from '../../shell/Loaded';
import { useMay } from '../../shell/session';
import { Grid } from '../../table/Grid';
import { Correct, type Correction } from './Correct';

/** A posting, as far as its links are asked for and named by it. */
type Posting = Pick<LedgerRowView, 'entryId' | 'accountCode' | 'kind' | 'number' | 'text'>;

/** What a receipt or credit note settled, or what settled an invoice, each link with what can be put right. */
export function Settled({ row, onClose }: { row: Posting; onClose: () => void }) {
  const query = useQuery(listSettledOptions({ path: { entry: row.entryId } }));
  const may = useMay();
  const [correction, setCorrection] = useState<Correction | null>(null);
  return (
    <Dialog title={titleOf(row)} onClose={onClose} width={960}>
      <Loaded query={query} what="what was settled" lines={3}>
        {(links) => (
          <Grid
            label="Settled"
            rows={links}
            keyOf={(l) => l.id}
            empty="Nothing is settled here. What is left on account can be set off with F."
            columns={[
              { title: 'Credit', className: 'strong nowrap', cell: (l) => l.credit },
              { title: 'Settles', className: 'strong nowrap', cell: (l) => l.debit },
              { title: 'Value', className: 'nowrap', cell: (l) => day(l.valueDate) },
              { title: 'Cash', figure: true, cell: (l) => moneyOrDash(l.cash) },
              { title: 'Discount', figure: true, cell: (l) => moneyOrDash(l.discount) },
              { title: 'Written off', figure: true, cell: (l) => moneyOrDash(l.writeOff) },
              { title: 'Still open', figure: true, cell: (l) => moneyOrDash(l.open) },
              may('controller') && {
                hidden: 'Actions',
                cell: (l) => <Actions link={l} onChoose={setCorrection} />,
              },
            ]}
          />
        )}
      </Loaded>
      {correction && <Correct correction={correction} code={row.accountCode} onClose={() => setCorrection(null)} />}
    </Dialog>
  );
}

/** A credit settles; what is owed is settled. */
function titleOf({ kind, number, text }: Posting) {
  const name = number || text;
  return ['receipt', 'creditNote', 'allocation'].includes(kind) ? `What ${name} settles` : `What settles ${name}`;
}

const Actions = ({ link, onChoose }: { link: SettledByView; onChoose: (correction: Correction) => void }) => (
  <span className="row-gap">
    {link.missed.map((m) => (
      <Button
        key={m.deadline}
        size="small"
        title={m.earned ? 'The payment came in its time' : 'Not earned; allowing it takes authority'}
        onClick={() => onChoose({ kind: 'discount', link, step: m.deadline })}
      >
        Give {money(m.amount)}, {m.earned ? 'missed' : 'not earned'}
      </Button>
    ))}
    {!isZero(link.writeOff) && (
      <Button size="small" onClick={() => onChoose({ kind: 'writeOffBack', link })}>
        Take the write-off back
      </Button>
    )}
    <Button size="small" onClick={() => onChoose({ kind: 'undo', link })}>
      Undo
    </Button>
  </span>
);
