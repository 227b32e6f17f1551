import { Alert, App, Checkbox, Form } from 'antd';
import dayjs, { type Dayjs } from 'dayjs';
import { useState } from 'react';
import { ofAccount } from '../../api/changes';
import { postCreditNote, type AccountPage } from '../../api/generated';
import { answer } from '../../api/problem';
import { DialogForm } from '../../form/DialogForm';
import { DayField, SuggestField, TextField } from '../../form/fields';
import { plain } from '../../form/options';
import { useKey } from '../../form/useKey';
import { usePreview } from '../../form/usePreview';
import { useSend } from '../../form/useSend';
import { iso } from '../../format/dates';
import { isZero, money } from '../../format/money';
import { EffectPanel } from '../ledger';
import { Content } from './Content';
import { CreditedItems } from './CreditedItems';
import { DocumentFigures } from './DocumentFigures';
import { asLines, emptyLine, isReady, type LineTyped } from './documentForm';

interface Typed {
  number: string;
  date: Dayjs;
  invoice: string;
  reference: string;
  net: string;
  tax: string;
  lines: LineTyped[];
  reason: string;
  send: boolean;
}

/** A credit note: set against the invoice that it names, against chosen items, or left on account. */
export function WriteCreditNote({ page, today, onClose }: { page: AccountPage; today: string; onClose: () => void }) {
  const { account } = page;
  const [form] = Form.useForm<Typed>();
  const sending = useSend(form, ofAccount(account.code));
  const { message } = App.useApp();
  const once = useKey();
  const [byLine, setByLine] = useState(true);
  // By item what of the credit note it takes; null follows the invoice that it names.
  const [settles, setSettles] = useState<Record<number, string> | null>(null);
  const initial: Typed = {
    number: '',
    date: dayjs(today),
    invoice: '',
    reference: '',
    net: '',
    tax: '',
    lines: [emptyLine],
    reason: '',
    send: true,
  };
  const typed = { ...initial, ...(Form.useWatch([], form) as Partial<Typed> | undefined) };
  const body = {
    number: typed.number,
    date: iso(typed.date),
    invoice: typed.invoice,
    reference: typed.reference,
    reason: typed.reason,
    send: typed.send,
    settles:
      settles &&
      Object.entries(settles)
        .filter(([, amount]) => amount.trim() !== '')
        .map(([item, amount]) => ({ item: Number(item), amount: plain(amount) })),
    ...(byLine ? { lines: asLines(typed.lines) } : { net: plain(typed.net), tax: plain(typed.tax) }),
  };
  const path = { code: account.code };
  const { effect, problem, settled } = usePreview(
    isReady(byLine, typed.lines, typed.net) ? JSON.stringify(body) : null,
    () => answer(postCreditNote({ path, query: { preview: true }, body })),
  );
  const post = async () => {
    const done = await sending.send(() => answer(postCreditNote({ path, body, headers: once })));
    if (!done) return;
    void message.success(`Credit note ${done.number ?? ''} is posted. It can be reversed from the ledger.`);
    onClose();
  };
  const told =
    problem && ['invoice', 'date', 'number', ...(byLine ? [] : ['net', 'tax'])].some((f) => problem.errors[f]);
  const debits = page.items.filter((i) => !i.open.startsWith('-'));
  const invoices = [...new Set(debits.filter((i) => i.kind === 'invoice').map((i) => i.number))];
  return (
    <DialogForm
      title={`Write a credit note for ${account.name}`}
      width={1080}
      high
      form={form}
      initial={initial}
      action="Post the credit note"
      disabled={!effect || !settled}
      beside={
        effect
          ? 'This is what will be posted.'
          : 'Amounts are stated positive. Nothing is posted before you have seen the effect.'
      }
      sending={sending}
      onSend={() => void post()}
      onClose={onClose}
    >
      <div className="invoice-fields">
        <SuggestField
          name="invoice"
          label="Credits the invoice"
          placeholder="none"
          options={invoices.map((value) => ({ value }))}
          wrong={problem}
        />
        <DayField name="date" label="Date" wrong={problem} />
        <TextField name="number" label="Number" placeholder="the next one" wrong={problem} />
        <TextField name="reason" label="What for" />
      </div>
      <Content
        byLine={byLine}
        onSwitch={setByLine}
        usualTax={account.invoiceTaxCode}
        document={effect?.document ?? undefined}
        discounts={false}
        wrong={problem}
      />
      {problem && !told && <Alert style={{ marginTop: 10 }} type="error" showIcon title={problem.detail} />}
      <div className="ties" style={{ marginTop: 12 }}>
        <div>{effect?.document && <DocumentFigures document={effect.document} currency={account.currency} />}</div>
        <CreditedItems items={debits} settled={effect?.document?.settled ?? []} typed={settles} onType={setSettles} />
      </div>
      {effect?.onAccount && !isZero(effect.onAccount) && (
        <p className="muted">{money(effect.onAccount)} is set against no item and stays on account.</p>
      )}
      {effect && <EffectPanel effect={effect} />}
      <Form.Item name="send" valuePropName="checked" style={{ margin: '10px 0 0' }}>
        <Checkbox>Send it when it is posted, as the customer wants its documents</Checkbox>
      </Form.Item>
    </DialogForm>
  );
}
