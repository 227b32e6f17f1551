import { useQuery } from '@tanstack/react-query';
import { Button, Input, Select } from 'antd';
import { useState } from 'react';
import { ofCompany } from '../../api/changes';
import { addOwnBankAccount, type CompanyView } from '../../api/generated';
import { listOwnBankAccountsOptions } from '../../api/generated/@tanstack/react-query.gen';
import { answer } from '../../api/problem';
import { useAct } from '../../form/useAct';
import { coded } from '../../form/options';
import { Loaded } from '../../shell/Loaded';
import { useMay } from '../../shell/session';
import { Grid } from '../../table/Grid';

/** The company's own bank accounts, whose statements can be read. */
export function OwnBankAccounts({ methods }: { methods: CompanyView['paymentMethods'] }) {
  const start = { account: '', currency: '', method: '' };
  const [typed, setTyped] = useState(start);
  const query = useQuery(listOwnBankAccountsOptions());
  const act = useAct(ofCompany);
  const may = useMay();
  const add = async () => {
    if (await act(() => answer(addOwnBankAccount({ body: typed })), 'Its statements can be read now.')) setTyped(start);
  };
  return (
    <>
      <Loaded query={query} what="the bank accounts" lines={2}>
        {(rows) => (
          <Grid
            label="Our bank accounts"
            rows={rows}
            keyOf={(b) => b.id}
            empty="Add the bank accounts whose statements are to be read."
            columns={[
              { title: 'Bank account', className: 'strong', cell: (b) => b.account },
              { title: 'Currency', cell: (b) => b.currency },
              { title: 'Method', cell: (b) => b.method },
            ]}
          />
        )}
      </Loaded>
      {may('manager') && (
        <div className="row-gap" style={{ marginTop: 8 }}>
          <Input
            aria-label="IBAN or account number"
            placeholder="IBAN or account number"
            value={typed.account}
            maxLength={60}
            style={{ width: 280 }}
            onChange={(e) => setTyped({ ...typed, account: e.target.value })}
          />
          <Input
            aria-label="Its currency"
            placeholder="Currency"
            value={typed.currency}
            maxLength={3}
            style={{ width: 100 }}
            onChange={(e) => setTyped({ ...typed, currency: e.target.value })}
          />
          <Select
            aria-label="Method of payments on it"
            value={typed.method}
            style={{ width: 180 }}
            onChange={(method) => setTyped({ ...typed, method })}
            options={[{ value: '', label: 'the first method' }, ...coded(methods)]}
          />
          <Button disabled={typed.account.trim() === ''} onClick={() => void add()}>
            Add
          </Button>
        </div>
      )}
    </>
  );
}
