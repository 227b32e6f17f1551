import { Alert, App, Checkbox, Form } from 'antd';
import dayjs, { type Dayjs } from 'dayjs';
import { useState } from 'react';
import { ofAccount } from '../../api/changes';
import { postInvoice, type OrderRow, type PostedDocumentView } from '../../api/generated';
import { answer } from '../../api/problem';
import { useTermsPolicies } from '../../api/queries';
import { DialogForm } from '../../form/DialogForm';
import { DayField, SuggestField, TextField } from '../../form/fields';
import { plain } from '../../form/options';
import type { Share } from '../../form/ShareInput';
import { useKey } from '../../form/useKey';
import { usePreview } from '../../form/usePreview';
import { useSend } from '../../form/useSend';
import { iso } from '../../format/dates';
import { money } from '../../format/money';
import { CheckPanel } from '../checks';
import { EffectPanel } from '../ledger';
import { Content } from './Content';
import { DocumentFigures } from './DocumentFigures';
import { asDiscount, asLines, asTyped, emptyLine, isReady, type LineTyped } from './documentForm';
import { OneOff } from './OneOff';

interface Typed {
  number: string;
  date: Dayjs;
  reference: string;
  terms: string;
  net: string;
  tax: string;
  notDiscountable: string;
  lines: LineTyped[];
  reason: string;
  send: boolean;
}

/** The account that an invoice is written for. */
export interface Invoiced {
  code: string;
  name: string;
  currency: string;
  /** Where they are known beforehand. */
  terms?: string;
  taxCode?: string | null;
}

/**
 * An invoice: typed line by line or as totals, with what it comes to, what is to be paid until when, the check and the
 * journal beside the form. One made of an order was checked with it.
 */
export function WriteInvoice({
  account,
  order,
  replaces,
  today,
  onClose,
}: {
  account: Invoiced;
  order?: OrderRow;
  /** A wrong invoice, which is reversed by the same step. */
  replaces?: PostedDocumentView;
  today: string;
  onClose: () => void;
}) {
  const [form] = Form.useForm<Typed>();
  const sending = useSend(form, ofAccount(account.code));
  const { message } = App.useApp();
  const once = useKey();
  const known = useTermsPolicies();
  const [byLine, setByLine] = useState(replaces ? replaces.lines.length > 0 : !order);
  const [oneOff, setOneOff] = useState<{ share: Share | null; days: number | null }>({ share: null, days: 7 });
  const initial: Typed = {
    number: '',
    date: dayjs(replaces?.date ?? today),
    reference: replaces?.reference ?? order?.number ?? '',
    terms: replaces?.terms ?? '',
    net: replaces?.net ?? '',
    tax: replaces?.tax ?? '',
    notDiscountable: replaces?.notDiscountable ?? '',
    lines: replaces && replaces.lines.length > 0 ? asTyped(replaces.lines) : [emptyLine],
    reason: '',
    send: true,
  };
  const typed = { ...initial, ...(Form.useWatch([], form) as Partial<Typed> | undefined) };
  const body = {
    number: typed.number,
    date: iso(typed.date),
    reference: typed.reference,
    terms: typed.terms.trim() === '' ? undefined : typed.terms,
    reason: typed.reason,
    send: typed.send,
    discount: asDiscount(oneOff.share, oneOff.days),
    ...(order ? { orderId: order.id, orderSeq: order.seq } : {}),
    ...(replaces ? { replaces: replaces.entryId } : {}),
    ...(byLine
      ? { lines: asLines(typed.lines) }
      : { net: plain(typed.net), tax: plain(typed.tax), notDiscountable: plain(typed.notDiscountable) }),
  };
  const path = { code: account.code };
  const { effect, problem, settled } = usePreview(
    isReady(byLine, typed.lines, typed.net) ? JSON.stringify(body) : null,
    // The reason is typed last; what the step comes to does not wait for it.
    () =>
      answer(
        postInvoice({
          path,
          query: { preview: true },
          body: replaces && body.reason.trim() === '' ? { ...body, reason: 'preview' } : body,
        }),
      ),
  );
  const post = async () => {
    const done = await sending.send(() => answer(postInvoice({ path, body, headers: once })));
    if (!done) return;
    void message.success(
      replaces
        ? `${replaces.number} is reversed, and invoice ${done.number ?? ''} takes its place.`
        : `Invoice ${done.number ?? ''} is posted.`,
    );
    onClose();
  };
  const told =
    problem &&
    ['date', 'number', 'terms', 'reason', ...(byLine ? [] : ['net', 'tax', 'notDiscountable'])].some(
      (field) => problem.errors[field],
    );
  const check = effect?.check;
  const usualTerms = order?.terms ?? account.terms;
  return (
    <DialogForm
      title={
        replaces
          ? `Write ${replaces.number} again, ${account.name}`
          : order
            ? `Invoice of ${order.number}, ${account.name}`
            : `Write an invoice for ${account.name}`
      }
      width={1080}
      high
      form={form}
      initial={initial}
      action={replaces ? `Reverse ${replaces.number} and post the invoice` : 'Post the invoice'}
      disabled={!effect || !settled || check?.answer === 'refuse'}
      beside={
        check?.answer === 'refuse'
          ? 'The check refuses it. Enter an order, so that it can be released.'
          : effect
            ? 'This is what will be posted.'
            : 'What it comes to shows while you type. Nothing is posted before you have seen the effect.'
      }
      sending={sending}
      onSend={() => void post()}
      onClose={onClose}
      above={
        replaces ? (
          <p className="muted" style={{ marginTop: 0 }}>
            {replaces.number} is reversed and this invoice takes its place, in one step. What was paid on it or charged
            for it is undone first.
          </p>
        ) : (
          order && (
            <p className="muted" style={{ marginTop: 0 }}>
              {money(order.notInvoiced)} {order.currency} is approved and not invoiced.
            </p>
          )
        )
      }
    >
      <div className="invoice-fields">
        <DayField name="date" label="Invoice date" wrong={problem} />
        <TextField name="number" label="Number" placeholder="the next one" wrong={problem} />
        <TextField name="reference" label="Customer’s reference" />
        <SuggestField
          name="terms"
          label="Terms of this invoice"
          placeholder={usualTerms ? `as usual: ${usualTerms}` : 'as usual'}
          options={(known.data ?? []).map((t) => ({ value: t.code }))}
          wrong={problem}
        />
      </div>
      {replaces && <TextField name="reason" label="Reason" wrong={problem} />}
      <OneOff {...oneOff} onChange={(share, days) => setOneOff({ share, days })} />
      <div style={{ marginTop: 10 }}>
        <Content
          byLine={byLine}
          onSwitch={setByLine}
          usualTax={account.taxCode ?? ''}
          document={effect?.document ?? undefined}
          discounts
          wrong={problem}
        />
      </div>
      {problem && !told && <Alert style={{ marginTop: 10 }} type="error" showIcon title={problem.detail} />}
      {effect?.document && (
        <div className="ties" style={{ marginTop: 12 }}>
          <DocumentFigures document={effect.document} currency={account.currency} />
          <div>
            {check && <CheckPanel check={check} />}
            {check?.answer === 'ask' && !replaces && (
              <TextField name="reason" label="Reason for going on" wrong={problem} />
            )}
          </div>
        </div>
      )}
      {effect && <EffectPanel effect={effect} />}
      <Form.Item name="send" valuePropName="checked" style={{ margin: '10px 0 0' }}>
        <Checkbox>Send it when it is posted, as the customer wants its documents</Checkbox>
      </Form.Item>
    </DialogForm>
  );
}
