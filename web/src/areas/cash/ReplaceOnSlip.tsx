import { App, Form } from 'antd';
import type { Dayjs } from 'dayjs';
import dayjs from 'dayjs';
import { useState } from 'react';
import { ofAccounts } from '../../api/changes';
import { replaceOnSlip, type HandReceiptView, type SlipView } from '../../api/generated';
import { answer } from '../../api/problem';
import { AccountPick } from '../../form/AccountPick';
import { DialogForm } from '../../form/DialogForm';
import { AmountField, DayField, TextField } from '../../form/fields';
import { plain } from '../../form/options';
import { useKey } from '../../form/useKey';
import { usePreview } from '../../form/usePreview';
import { useSend } from '../../form/useSend';
import { iso } from '../../format/dates';
import { money } from '../../format/money';
import { EffectPanel } from '../ledger';

interface Typed {
  cash: string;
  valueDate: Dayjs;
  reference: string;
  reason: string;
}

/** Reverses a wrong receipt on a slip and takes the right one in its place. */
export function ReplaceOnSlip({
  slip,
  wrong,
  onClose,
}: {
  slip: SlipView;
  wrong: HandReceiptView;
  onClose: () => void;
}) {
  const [form] = Form.useForm<Typed>();
  const sending = useSend(form, ofAccounts);
  const { message } = App.useApp();
  const once = useKey();
  const [account, setAccount] = useState(wrong.accountCode);
  const initial = { cash: wrong.amount, valueDate: dayjs(wrong.date), reference: wrong.reference, reason: '' };
  const typed = (Form.useWatch([], form) as Typed | undefined) ?? initial;
  const on = typed.valueDate?.isValid() ? iso(typed.valueDate) : null;
  const body = (reason: string) => ({
    posting: wrong.posting,
    account,
    cash: plain(typed.cash ?? ''),
    valueDate: on ?? '',
    reference: typed.reference ?? '',
    reason,
  });
  const act = (preview: boolean, reason: string) =>
    answer(replaceOnSlip({ path: { id: slip.id }, query: { preview }, headers: once, body: body(reason) }));
  const {
    effect: shown,
    problem,
    settled,
  } = usePreview(on && plain(typed.cash ?? '') !== '' ? JSON.stringify(body('')) : null, () => act(true, 'preview'));
  const post = async (reason: string) => {
    const done = await sending.send(() => act(false, reason));
    if (!done) return;
    void message.success(`${done.number ?? 'The right receipt'} stands on ${slip.number} now.`);
    onClose();
  };
  return (
    <DialogForm
      title={`Replace ${wrong.number} on ${slip.number}`}
      width={920}
      high
      form={form}
      initial={initial}
      action="Replace it"
      disabled={!shown || !settled}
      beside={`${wrong.number} of ${money(wrong.amount)} is reversed, and the right receipt takes its place.`}
      sending={{ busy: sending.busy, problem: sending.problem ?? problem }}
      onSend={({ reason }) => void post(reason)}
      onClose={onClose}
    >
      <div className="ties">
        <AmountField name="cash" label="Right amount" suffix={slip.currency} wrong={problem} />
        <DayField name="valueDate" label="Value date" wrong={problem} />
        <TextField name="reference" label="Reference" />
        <Form.Item label="Account" extra={account === wrong.accountCode ? wrong.accountName : account}>
          <AccountPick
            currency={slip.currency}
            focus={false}
            onPick={setAccount}
            onClear={() => setAccount(wrong.accountCode)}
          />
        </Form.Item>
      </div>
      <TextField name="reason" label="Reason" />
      {(shown?.effects ?? []).map((effect) => (
        <section key={effect.after.code}>
          <h3 className="strong">{effect.after.name}</h3>
          <EffectPanel effect={effect} />
        </section>
      ))}
    </DialogForm>
  );
}
