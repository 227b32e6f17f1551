import { App, Form } from 'antd';
import { useState } from 'react';
import { ofAccounts } from '../../api/changes';
import { moveReceipt, type LedgerRowView, type PaymentLineView } from '../../api/generated';
import { answer } from '../../api/problem';
import { TieBar } from '../../drawings/TieBar';
import { AccountPick } from '../../form/AccountPick';
import { DialogForm } from '../../form/DialogForm';
import { AmountField, TextField } from '../../form/fields';
import { plain } from '../../form/options';
import { useKey } from '../../form/useKey';
import { usePreview } from '../../form/usePreview';
import { useSend } from '../../form/useSend';
import { isZero, money, moneyOrDash } from '../../format/money';
import { Grid } from '../../table/Grid';
import { EffectPanel } from './EffectPanel';

interface Typed {
  amount: string;
  reason: string;
}

const initial: Typed = { amount: '', reason: '' };

/** Moves a receipt, or a part of it, to another account, or to the unassigned receipts where that is not known yet. */
export function MoveReceipt({ row, onClose }: { row: LedgerRowView; onClose: () => void }) {
  const [form] = Form.useForm<Typed>();
  const sending = useSend(form, ofAccounts);
  const { message } = App.useApp();
  const once = useKey();
  const [account, setAccount] = useState('');
  const amount = (Form.useWatch('amount', form) as string | undefined) ?? '';
  const act = (preview: boolean, reason: string) =>
    answer(
      moveReceipt({
        path: { entry: row.entryId },
        query: { preview },
        headers: once,
        body: { amount: amount.trim() === '' ? null : plain(amount), account, reason },
      }),
    );
  const { effect: moved, problem: wrong, settled } = usePreview(`${amount} ${account}`, () => act(true, 'preview'));
  const post = async (reason: string) => {
    if (!(await sending.send(() => act(false, reason)))) return;
    void message.success(account ? `It is on ${account} now.` : 'It waits among the unassigned receipts, under Cash.');
    onClose();
  };
  return (
    <DialogForm
      title={`Move ${row.number || row.text}`}
      width={920}
      high
      form={form}
      initial={initial}
      action="Move it"
      disabled={!moved || !settled}
      beside="The bank is left alone. Each of the two postings can be reversed."
      sending={{ busy: sending.busy, problem: sending.problem ?? (wrong?.errors.amount ? null : wrong) }}
      onSend={({ reason }) => void post(reason)}
      onClose={onClose}
    >
      <div className="ties">
        <AmountField
          name="amount"
          label="Amount"
          suffix={row.currency}
          placeholder={moved ? `all of it, ${money(moved.most)}` : 'all of it'}
          extra={moved && moved.free !== moved.most ? onAccount(moved.free) : undefined}
          wrong={wrong}
        />
        <Form.Item label="To the account" extra="Left empty, it waits among the unassigned receipts, under Cash.">
          <AccountPick currency={row.currency} focus={false} onPick={setAccount} onClear={() => setAccount('')} />
        </Form.Item>
      </div>
      <TextField name="reason" label="Reason" />
      {moved && (
        <>
          <h3 className="strong">Taken off {moved.from.before.name}</h3>
          <EffectPanel effect={moved.from} />
          {moved.to && (
            <>
              <h3 className="strong" style={{ marginTop: 14 }}>
                Posted on {moved.to.before.name}, as proposed
              </h3>
              <Placed lines={moved.to.payment} onAccount={moved.to.onAccount ?? '0'} />
              <EffectPanel effect={moved.to} />
            </>
          )}
        </>
      )}
    </DialogForm>
  );
}

const onAccount = (free: string) =>
  `${isZero(free) ? 'Nothing' : money(free)} of it is on account. Moving all of it undoes what it settles.`;

function Placed({ lines, onAccount }: { lines: PaymentLineView[]; onAccount: string }) {
  return (
    <>
      <Grid
        label="What it settles there"
        rows={lines}
        keyOf={(l) => l.itemId}
        empty="No item is settled; all of it stays on account."
        columns={[
          { title: 'Item', className: 'strong nowrap', cell: (l) => l.document },
          { title: 'How it is settled', width: 180, cell: (l) => <TieBar tie={l} /> },
          { title: 'Cash', figure: true, cell: (l) => moneyOrDash(l.cash) },
          { title: 'Discount', figure: true, cell: (l) => moneyOrDash(l.discount) },
          { title: 'Written off', figure: true, cell: (l) => moneyOrDash(l.writeOff) },
          { title: 'Stays open', figure: true, cell: (l) => moneyOrDash(l.staysOpen) },
        ]}
      />
      {lines.length > 0 && !isZero(onAccount) && <p className="small muted">{money(onAccount)} stays on account.</p>}
    </>
  );
}
