import { App, Form } from 'antd';
import { type Dayjs } from 'dayjs';
import { ofAccount } from '../../api/changes';
import { postOpeningItem, type AccountPage, type OpeningItemRequest } from '../../api/generated';
import { answer } from '../../api/problem';
import { useTermsPolicies } from '../../api/queries';
import { DialogForm } from '../../form/DialogForm';
import { AmountField, ChoiceField, DayField, SuggestField, TextField } from '../../form/fields';
import { choices, plain } from '../../form/options';
import { usePreview } from '../../form/usePreview';
import { useSend } from '../../form/useSend';
import { iso } from '../../format/dates';
import { EffectPanel } from './EffectPanel';

type Kind = NonNullable<OpeningItemRequest['type']>;

const kinds: Record<Kind, string> = {
  invoice: 'an invoice',
  credit: 'a credit note',
  receipt: 'money on account',
};

const initial = {
  document: '',
  type: 'invoice' as Kind,
  date: null as Dayjs | null,
  due: null as Dayjs | null,
  amount: '',
  tax: '',
  open: '',
  terms: '',
  reference: '',
};
type Typed = typeof initial;

const asRequest = (v: Typed): OpeningItemRequest => ({
  ...v,
  date: iso(v.date),
  due: iso(v.due),
  amount: plain(v.amount),
  tax: plain(v.tax),
  open: plain(v.open),
});

/** One document that was open before these books began. A balance in one sum is refused. */
export function OpeningItem({ page, onClose }: { page: AccountPage; onClose: () => void }) {
  const { code, name, currency, terms: usual } = page.account;
  const [form] = Form.useForm<Typed>();
  const sending = useSend(form, ofAccount(code));
  const { message } = App.useApp();
  const terms = useTermsPolicies();
  const typed = { ...initial, ...(Form.useWatch([], form) as Typed | undefined) };
  const body = asRequest(typed);
  const ready = typed.document.trim() && body.date && body.amount ? JSON.stringify(body) : null;
  const {
    effect,
    problem: wrong,
    settled,
  } = usePreview(ready, () => answer(postOpeningItem({ path: { code }, query: { preview: true }, body })));
  const post = async () => {
    if (!(await sending.send(() => answer(postOpeningItem({ path: { code }, body }))))) return;
    void message.success(`${typed.document} is added. It can be reversed from the ledger.`);
    form.resetFields();
  };
  return (
    <DialogForm
      title={`Add an open document to ${name}`}
      width={860}
      high
      form={form}
      initial={initial}
      action="Add the document"
      disabled={!effect || !settled}
      beside=""
      sending={{ busy: sending.busy, problem: sending.problem ?? (ready ? wrong : null) }}
      onSend={() => void post()}
      onClose={onClose}
      above={
        <p className="muted" style={{ marginTop: 0 }}>
          One that was open before these books began, with its own date and number. A balance in one sum can’t be aged,
          charged or reminded.
        </p>
      }
    >
      <div className="fours">
        <TextField name="document" label="Document number" />
        <ChoiceField name="type" label="It is" options={choices(kinds)} />
        <DayField name="date" label="Date" placeholder="" />
        <DayField name="due" label="Due" placeholder="by its terms" />
        <AmountField name="amount" label={`Amount, ${currency}`} />
        <AmountField name="tax" label="Tax in it" placeholder="none" />
        <AmountField name="open" label="Still open" placeholder="all of it" />
        <SuggestField
          name="terms"
          label="Terms"
          options={(terms.data ?? []).map((t) => ({ value: t.code }))}
          placeholder={usual}
        />
      </div>
      <TextField name="reference" label="Reference" />
      {effect && <EffectPanel effect={effect} />}
    </DialogForm>
  );
}
