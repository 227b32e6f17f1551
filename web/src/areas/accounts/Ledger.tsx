import { useQuery } from '@tanstack/react-query';
import { Button } from 'antd';
import { useState } from 'react';
import { getLedger, type LedgerRowView } from '../../api/generated';
import { answer } from '../../api/problem';
import { day } from '../../format/dates';
import { money } from '../../format/money';
import { ShowJournal } from './actions/Journal';
import { Undo } from './actions/Undo';
import { kindNames } from './kinds';

export function Ledger({ code }: { code: string }) {
  const { data } = useQuery({ queryKey: ['ledger', code], queryFn: () => answer(getLedger({ path: { code } })) });
  const [undoing, setUndoing] = useState<LedgerRowView | null>(null);
  const [journal, setJournal] = useState<LedgerRowView | null>(null);
  const [all, setAll] = useState(false);
  if (!data) return <p className="muted pad">Loading …</p>;
  const rows = all ? data : data.slice(0, 100);
  return (
    <>
      <table className="grid" aria-label="Ledger">
        <thead>
          <tr>
            <th>Posted</th>
            <th>Document</th>
            <th>What</th>
            <th>Text</th>
            <th className="figure">Change</th>
            <th className="figure">Balance</th>
            <th>
              <span className="hidden-text">Actions</span>
            </th>
          </tr>
        </thead>
        <tbody>
          {rows.map((row) => (
            <tr key={`${row.entryId} ${row.number}`}>
              <td className="nowrap">{day(row.postingDate)}</td>
              <td className="strong nowrap">{row.number}</td>
              <td className="nowrap">
                {kindNames[row.kind] ?? row.kind}
                {row.reversed && <span className="muted small"> · reversed</span>}
              </td>
              <td className="muted small">{row.text}</td>
              <td className="figure">{money(row.change)}</td>
              <td className="figure">{money(row.balance)}</td>
              <td className="figure nowrap">
                <Button size="small" type="text" onClick={() => setJournal(row)}>
                  Journal
                </Button>
                {row.canReverse && (
                  <Button size="small" type="text" onClick={() => setUndoing(row)} aria-label={`Reverse ${row.number ?? ''}`}>
                    Reverse
                  </Button>
                )}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
      {!all && data.length > 100 && (
        <div className="pad">
          <button type="button" className="linkish" onClick={() => setAll(true)}>
            Show all {data.length}
          </button>
        </div>
      )}
      {undoing && <Undo entry={undoing} onClose={() => setUndoing(null)} />}
      {journal && <ShowJournal row={journal} onClose={() => setJournal(null)} />}
    </>
  );
}
