import { Segmented } from 'antd';
import { useState } from 'react';
import { StatementOfAccount } from '../insight';
import { Ledger } from '../ledger';

/** What was posted, and the statement that the customer gets of it. */
export function LedgerOrStatement({ code, today, onOpening }: { code: string; today: string; onOpening: () => void }) {
  const [shown, setShown] = useState<'ledger' | 'statement'>('ledger');
  return (
    <>
      <div className="pad" style={{ paddingBottom: 0 }}>
        <Segmented
          aria-label="Ledger or statement"
          value={shown}
          onChange={setShown}
          options={[
            { value: 'ledger', label: 'As posted' },
            { value: 'statement', label: 'Statement, by value' },
          ]}
        />
      </div>
      {shown === 'ledger' ? (
        <Ledger code={code} onOpening={onOpening} />
      ) : (
        <StatementOfAccount code={code} today={today} />
      )}
    </>
  );
}
