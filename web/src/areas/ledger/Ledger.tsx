import { useQuery } from '@tanstack/react-query';
import { Button } from 'antd';
import { useState } from 'react';
import { getLedger } from '../../api/generated';
import { answer } from '../../api/problem';
import { day } from '../../format/dates';
import { money } from '../../format/money';
import { usePostingActions } from './actions/usePostingActions';
import { kindNames } from './kinds';

export function Ledger({ code, onOpening }: { code: string; onOpening: () => void }) {
  const { data } = useQuery({ queryKey: ['ledger', code], queryFn: () => answer(getLedger({ path: { code } })) });
  const { cell, dialogs } = usePostingActions();
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
              {cell(row)}
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
      <div className="pad">
        <Button size="small" onClick={onOpening}>
          Bring in an open document
        </Button>
      </div>
      {dialogs}
    </>
  );
}
