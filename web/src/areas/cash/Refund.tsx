import { useQuery } from '@tanstack/react-query';
import { Alert, App, Checkbox, Form } from 'antd';
import { useState } from 'react';
import { ofAccount } from '../../api/changes';
import { refund, type AccountPage } from '../../api/generated';
import { listBankAccountsOptions } from '../../api/generated/@tanstack/react-query.gen';
import { answer } from '../../api/problem';
import { DialogForm } from '../../form/DialogForm';
import { AmountField, SuggestField, TextField } from '../../form/fields';
import { plain } from '../../form/options';
import { useKey } from '../../form/useKey';
import { usePreview } from '../../form/usePreview';
import { useSend } from '../../form/useSend';
import { day } from '../../format/dates';
import { size } from '../../format/money';
import { Loaded } from '../../shell/Loaded';
import { Grid } from '../../table/Grid';
import { itemKinds } from '../../words/ledger';
import { EffectPanel } from '../ledger';
import { isCredit } from './setOff';

interface Typed {
  amount: string;
  bankAccount: string;
  holder: string;
  reference: string;
  reason: string;
}

interface Props {
  page: AccountPage;
  at: number;
  onClose: () => void;
}

/** Pays a credit of the account back. The bank is asked for it by a payment file, from the refunds. */
export function Refund(props: Props) {
  const known = useQuery(listBankAccountsOptions({ path: { code: props.page.account.code } }));
  return (
    <Loaded query={known} what="the bank accounts">
      {(accounts) => <PayBack {...props} accounts={accounts.map((a) => a.bankAccount)} />}
    </Loaded>
  );
}

function PayBack({ page, at, accounts, onClose }: Props & { accounts: string[] }) {
  const { account } = page;
  const { code } = account;
  const credits = page.items.filter(isCredit);
  const inHand = page.items[at];
  const first = inHand && isCredit(inHand) ? inHand : credits[0];
  const [chosen, setChosen] = useState<number[]>(first ? [first.id] : []);
  const [form] = Form.useForm<Typed>();
  const sending = useSend(form, ofAccount(code));
  const { message } = App.useApp();
  const once = useKey();
  const initial: Typed = {
    amount: first ? size(first.open) : '',
    bankAccount: accounts[0] ?? '',
    holder: account.name,
    reference: '',
    reason: '',
  };
  const typed = { ...initial, ...(Form.useWatch([], form) as Partial<Typed> | undefined) };
  const act = (preview: boolean, reason: string) =>
    answer(
      refund({
        path: { code },
        query: { preview },
        headers: once,
        body: { ...typed, amount: plain(typed.amount), credits: chosen, reason },
      }),
    );
  const ready = chosen.length > 0 && typed.amount.trim() !== '' && typed.bankAccount.trim() !== '';
  const {
    effect,
    problem: wrong,
    settled,
  } = usePreview(ready ? JSON.stringify({ ...typed, reason: '', chosen }) : null, () => act(true, 'preview'));
  const post = async () => {
    if (!(await sending.send(() => act(false, typed.reason)))) return;
    void message.success('It is posted. Order it from the bank under Cash, Refunds.');
    onClose();
  };
  const elsewhere = wrong && !['amount', 'bankAccount', 'holder', 'reference'].some((f) => wrong.errors[f]);
  return (
    <DialogForm
      title={`Pay back to ${account.name}`}
      width={860}
      high
      form={form}
      initial={initial}
      action="Pay it back"
      disabled={!effect || !settled}
      beside="What is paid back is measured by your authority to write off."
      sending={sending}
      onSend={() => void post()}
      onClose={onClose}
    >
      {credits.length === 0 ? (
        <Alert type="info" showIcon title="Nothing is on account: no credit note and no receipt is open." />
      ) : (
        <>
          <div className="fours">
            <AmountField name="amount" label="Amount" suffix={account.currency} wrong={wrong} />
            <SuggestField
              name="bankAccount"
              label="To the bank account"
              placeholder="IBAN"
              options={accounts.map((value) => ({ value }))}
              wrong={wrong}
            />
            <TextField name="holder" label="Whose that is" maxLength={70} wrong={wrong} />
            <TextField
              name="reference"
              label="Reference they read"
              placeholder="its number"
              maxLength={140}
              wrong={wrong}
            />
          </div>
          <TextField name="reason" label="Reason" />
          <div className="card scrolled">
            <Grid
              label="Credits it is taken from"
              rows={credits}
              keyOf={(i) => i.id}
              columns={[
                {
                  hidden: 'Taken from',
                  width: 30,
                  cell: (i) => (
                    <Checkbox
                      aria-label={`Take it from ${i.document}`}
                      checked={chosen.includes(i.id)}
                      onChange={(e) =>
                        setChosen(e.target.checked ? [...chosen, i.id] : chosen.filter((id) => id !== i.id))
                      }
                    />
                  ),
                },
                { title: 'Credit', className: 'strong nowrap', cell: (i) => i.document },
                { title: 'What', cell: (i) => itemKinds[i.kind] },
                { title: 'Date', className: 'nowrap', cell: (i) => day(i.date) },
                { title: 'Left', figure: true, cell: (i) => size(i.open) },
              ]}
            />
          </div>
        </>
      )}
      {elsewhere && <Alert style={{ marginTop: 10 }} type="error" showIcon title={wrong.detail} />}
      {effect && (
        <div style={{ marginTop: 12 }}>
          <EffectPanel effect={effect} />
        </div>
      )}
    </DialogForm>
  );
}
