import { Alert, App, Form } from 'antd';
import dayjs, { type Dayjs } from 'dayjs';
import { useState } from 'react';
import { ofAccount } from '../../api/changes';
import { takePayment, type AccountPage } from '../../api/generated';
import { answer } from '../../api/problem';
import { useCompany } from '../../api/queries';
import { DialogForm } from '../../form/DialogForm';
import { AmountField, ChoiceField, DayField, TextField } from '../../form/fields';
import { plain } from '../../form/options';
import { useKey } from '../../form/useKey';
import { usePreview } from '../../form/usePreview';
import { useSend } from '../../form/useSend';
import { iso } from '../../format/dates';
import { isZero, money } from '../../format/money';
import { EffectPanel } from '../ledger';
import { PaidLetter } from './PaidLetter';
import { isDecided, paymentItems } from './paymentItems';
import { PaymentItems } from './PaymentItems';
import { Proposed } from './Proposed';
import { useProposal } from './useProposal';

interface Typed {
  cash: string;
  valueDate: Dayjs;
  method: string;
  reference: string;
  reason: string;
}

/**
 * A payment, filled in from either side: the amount chooses the items, or the items tell the amount. For each item cash,
 * discount, write-off and what stays open are shown and tie before posting.
 */
export function TakePayment({ page, today, onClose }: { page: AccountPage; today: string; onClose: () => void }) {
  const { account } = page;
  const code = account.code;
  const [form] = Form.useForm<Typed>();
  const sending = useSend(form, ofAccount(code));
  const { message } = App.useApp();
  const company = useCompany();
  const once = useKey();
  const initial: Typed = {
    cash: '',
    valueDate: dayjs(today),
    method: account.paymentMethod,
    reference: '',
    reason: '',
  };
  const typed = { ...initial, ...(Form.useWatch([], form) as Partial<Typed> | undefined) };
  const { led, proposal, working, chosen, filled, toggle, decide, amountTyped, takeProposal } = useProposal(
    code,
    { cash: plain(typed.cash), valueDate: iso(typed.valueDate), text: typed.reference },
    (cash) => form.setFieldValue('cash', cash),
  );
  // What a reminder showed beyond its items, paid with it: income, unless it is to stay on account.
  const [keptFor, setKeptFor] = useState('');
  const paid = JSON.stringify([typed.cash, iso(typed.valueDate), Object.keys(chosen)]);
  const keepOver = keptFor === paid;
  const body = {
    keepOver,
    ...typed,
    cash: plain(typed.cash),
    valueDate: iso(typed.valueDate),
    items: paymentItems(chosen),
    filled,
  };
  const {
    effect,
    problem: wrong,
    settled,
  } = usePreview(body.cash === '' ? null : JSON.stringify(body), () =>
    answer(takePayment({ path: { code }, query: { preview: true }, body })),
  );
  const post = async () => {
    const done = await sending.send(() => answer(takePayment({ path: { code }, body, headers: once })));
    if (!done) return;
    void message.success(`${done.number ?? 'The receipt'} is posted. It can be reversed from the ledger.`);
    onClose();
  };
  // Whether a decision takes a reason is said by the answer; its field is there with the decision, and what was typed is never
  // taken away.
  const needsReason = wrong?.errors.reason !== undefined || typed.reason !== '' || isDecided(chosen);
  const told = wrong && ['cash', 'valueDate', 'reason'].some((field) => wrong.errors[field]);
  return (
    <DialogForm
      title={`Take a payment from ${account.name}`}
      width={980}
      high
      form={form}
      initial={initial}
      action="Post the receipt"
      disabled={!effect || !settled || working}
      beside={
        effect && settled
          ? 'This is what will be posted.'
          : 'Give the amount, or choose the items; the other follows. Nothing is posted before you have seen the effect.'
      }
      sending={sending}
      onSend={() => void post()}
      onClose={onClose}
    >
      <div className="payment-fields">
        <AmountField name="cash" label={`Amount received, ${account.currency}`} wrong={wrong} onInput={amountTyped} />
        <DayField name="valueDate" label="Value date" wrong={wrong} />
        <ChoiceField
          name="method"
          label="Paid by"
          options={[
            { value: '', label: 'not known' },
            ...(company.data?.paymentMethods ?? []).map((m) => ({ value: m.code ?? '', label: m.name })),
          ]}
        />
        <TextField name="reference" label="Reference or remittance text" />
      </div>
      <Proposed proposal={proposal} text={typed.reference} taken={led === 'amount'} onTake={takeProposal} />
      <PaymentItems
        items={page.items}
        credits={effect?.credits ?? []}
        chosen={chosen}
        lines={effect?.payment ?? []}
        onToggle={toggle}
        onChange={decide}
      />
      {needsReason && (
        <div style={{ marginTop: 10 }}>
          <TextField name="reason" label="Reason for the discount or the write-off" wrong={wrong} />
        </div>
      )}
      {wrong && !told && <Alert style={{ marginTop: 10 }} type="error" showIcon title={wrong.detail} />}
      {effect && (
        <div style={{ marginTop: 12 }}>
          <PaidLetter lines={effect.payment} kept={keepOver} onKeep={(keep) => setKeptFor(keep ? paid : '')} />
          {effect.onAccount && !isZero(effect.onAccount) && (
            <Alert
              style={{ marginBottom: 8 }}
              type="warning"
              showIcon
              title={`${money(effect.onAccount)} is not set against an item and stays on account.`}
            />
          )}
          <EffectPanel effect={effect} />
        </div>
      )}
    </DialogForm>
  );
}
