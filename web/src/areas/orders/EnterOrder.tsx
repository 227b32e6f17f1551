import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { App, Form } from 'antd';
import dayjs, { type Dayjs } from 'dayjs';
import { useState } from 'react';
import { ofAccounts, ofNothing } from '../../api/changes';
import { enterOrder, type OrderEffectView } from '../../api/generated';
import { listAccountsOptions } from '../../api/generated/@tanstack/react-query.gen';
import { answer } from '../../api/problem';
import { useTermsPolicies } from '../../api/queries';
import { DialogForm } from '../../form/DialogForm';
import { AmountField, DayField, SuggestField, TextField } from '../../form/fields';
import { plain } from '../../form/options';
import { useKey } from '../../form/useKey';
import { usePaused } from '../../form/usePaused';
import { useSend } from '../../form/useSend';
import { iso } from '../../format/dates';
import { BeforeAndAfter } from './BeforeAndAfter';

interface Typed {
  account: string;
  number: string;
  date: Dayjs;
  total: string;
  delivery: Dayjs | null;
  reference: string;
  terms: string;
  reason: string;
}

const asBody = (v: Typed) => ({
  number: v.number,
  date: iso(v.date),
  total: plain(v.total),
  reference: v.reference,
  terms: v.terms,
  reason: v.reason,
  deliveries: v.delivery ? [{ on: iso(v.delivery), amount: plain(v.total) }] : [],
});

/** Checks an order before anything is promised, then takes it. */
export function EnterOrder({
  account,
  today,
  onClose,
  onDone,
}: {
  /** Where it is known already. */
  account?: string;
  today: string;
  onClose: () => void;
  onDone: (id: number) => void;
}) {
  const [form] = Form.useForm<Typed>();
  const [checked, setChecked] = useState<OrderEffectView | null>(null);
  const sending = useSend(form, checked ? ofAccounts : ofNothing);
  const { message } = App.useApp();
  const once = useKey();
  const known = useTermsPolicies();
  const [text, setText] = useState('');
  const q = usePaused(text);
  const found = useQuery({
    ...listAccountsOptions({ query: { q, pageSize: 8 } }),
    enabled: account === undefined && q.length > 0,
    placeholderData: keepPreviousData,
  });
  const path = (v: Typed) => ({ code: account ?? v.account.trim() });
  const check = async (v: Typed) =>
    setChecked(
      (await sending.send(() => answer(enterOrder({ path: path(v), query: { preview: true }, body: asBody(v) })))) ??
        null,
    );
  const take = async (v: Typed) => {
    const effect = await sending.send(() => answer(enterOrder({ path: path(v), body: asBody(v), headers: once })));
    if (!effect) return;
    const { number, state, id } = effect.order;
    void message.success(state === 'held' ? `${number} is taken and held.` : `${number} is approved.`);
    onDone(id);
  };
  return (
    <DialogForm
      title="Check an order"
      width={640}
      form={form}
      initial={{
        account: account ?? '',
        number: '',
        date: dayjs(today),
        total: '',
        delivery: null,
        reference: '',
        terms: '',
        reason: '',
      }}
      action={!checked ? 'Check' : checked.check?.answer === 'refuse' ? 'Take it, held' : 'Take the order'}
      sending={sending}
      onValuesChange={(change) => 'reason' in change || setChecked(null)}
      onSend={(v) => void (checked ? take(v) : check(v))}
      onClose={onClose}
    >
      {account === undefined && (
        <SuggestField
          name="account"
          only
          label="Account"
          placeholder="Name or code"
          onSearch={setText}
          options={(found.data?.items ?? []).map((a) => ({ value: a.code, label: `${a.code} · ${a.name}` }))}
        />
      )}
      <div className="ties">
        <TextField name="number" label="Order number" />
        <AmountField name="total" label="Total with tax" />
        <DayField name="date" label="Date" />
        <DayField name="delivery" label="Delivery" placeholder="not known" />
      </div>
      <div className="ties">
        <TextField name="reference" label="Customer’s reference" />
        <SuggestField
          name="terms"
          label="Terms of this order"
          placeholder="the customer’s"
          options={(known.data ?? []).map((t) => ({ value: t.code }))}
        />
      </div>
      {checked && (
        <BeforeAndAfter
          effect={checked}
          testid="check"
          note={`Above: ${checked.order.accountName} as it stands. Below: with this order.`}
        >
          {checked.check?.answer === 'ask' && (
            <TextField name="reason" label="Reason for going on; without one the order is held" />
          )}
        </BeforeAndAfter>
      )}
    </DialogForm>
  );
}
