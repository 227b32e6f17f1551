import { useQuery } from '@tanstack/react-query';
import { Button, Input } from 'antd';
import { useState } from 'react';
import { ofAccount } from '../../api/changes';
import { addBankAccount, removeBankAccount } from '../../api/generated';
import { listBankAccountsOptions } from '../../api/generated/@tanstack/react-query.gen';
import { answer } from '../../api/problem';
import { useAct } from '../../form/useAct';
import { Loaded } from '../../shell/Loaded';
import { useMay } from '../../shell/session';
import { Grid } from '../../table/Grid';

/** The bank accounts that a customer pays from, typed in or learned. */
export function BankAccounts({ code }: { code: string }) {
  const [number, setNumber] = useState('');
  const query = useQuery(listBankAccountsOptions({ path: { code } }));
  const act = useAct(ofAccount(code));
  const may = useMay();
  const add = async () => {
    if (await act(() => answer(addBankAccount({ path: { code }, body: { bankAccount: number } })), 'It is known now.'))
      setNumber('');
  };
  return (
    <section className="tab-part" aria-label="Bank accounts it pays from">
      <h2>Bank accounts it pays from</h2>
      <Loaded query={query} what="the bank accounts" lines={2}>
        {(rows) => (
          <Grid
            label="Bank accounts"
            rows={rows}
            keyOf={(b) => b.id}
            empty="None is known yet. One is learned when a payment on a bank statement is assigned by hand."
            columns={[
              { title: 'Bank account', className: 'strong', cell: (b) => b.bankAccount },
              { title: 'Known', cell: (b) => (b.learned ? 'learned from a payment' : 'typed in') },
              { title: 'By', className: 'muted small', cell: (b) => `${b.madeBy}, ${b.madeAt.slice(0, 10)}` },
              may('controller') && {
                hidden: 'Actions',
                figure: true,
                cell: (b) => (
                  <Button
                    size="small"
                    type="text"
                    aria-label={`Remove ${b.bankAccount}`}
                    onClick={() => void act(() => answer(removeBankAccount({ path: { code, id: b.id } })))}
                  >
                    Remove
                  </Button>
                ),
              },
            ]}
          />
        )}
      </Loaded>
      {may('controller') && (
        <div className="row-gap" style={{ marginTop: 8 }}>
          <Input
            aria-label="IBAN or account number"
            placeholder="IBAN or account number"
            value={number}
            maxLength={60}
            style={{ width: 300 }}
            onChange={(e) => setNumber(e.target.value)}
            onPressEnter={() => void add()}
          />
          <Button disabled={number.trim() === ''} onClick={() => void add()}>
            Add
          </Button>
        </div>
      )}
    </section>
  );
}
