import { App, Form, Select } from 'antd';
import dayjs, { type Dayjs } from 'dayjs';
import { ofAccount } from '../../api/changes';
import { noteCall, type AccountPage } from '../../api/generated';
import { answer } from '../../api/problem';
import { useCustomer } from '../../api/queries';
import { DialogForm } from '../../form/DialogForm';
import { AmountField, CheckField, ChoiceField, DayField, LinesField, SuggestField, TextField } from '../../form/fields';
import { plain } from '../../form/options';
import { useKey } from '../../form/useKey';
import { useSend } from '../../form/useSend';
import { iso } from '../../format/dates';
import { money } from '../../format/money';
import { openPromises, ReplacesField } from '../ledger';
import { callOf, type Typed } from './callOf';

/** What came of a call, in one step: what was said, a promise, a dispute, the day of the next call, copies. */
export function NoteCall({ page, today, onClose }: { page: AccountPage; today: string; onClose: () => void }) {
  const { code, name, currency } = page.account;
  const [form] = Form.useForm<Typed>();
  const sending = useSend(form, ofAccount(code));
  const { message } = App.useApp();
  const once = useKey();
  const customer = useCustomer(code);
  const people = (customer.data?.customer.contacts ?? []).filter((c) => c.active);
  const debits = page.items.filter((i) => !i.open.startsWith('-'));
  const documents = page.items.filter((i) => i.kind === 'invoice' || i.kind === 'creditNote');
  const initial: Typed = {
    contact: '',
    text: '',
    promised: '',
    dueOn: dayjs(today).add(7, 'day'),
    replaces: openPromises(page.promises).map((p) => p.id),
    disputed: '',
    disputedAmount: '',
    disputeReason: '',
    callAgain: null,
    callAbout: '',
    copies: [],
    statement: false,
    recipients: '',
  };
  const typed = { ...initial, ...(Form.useWatch([], form) as Partial<Typed> | undefined) };
  const save = async (v: Typed) => {
    const done = await sending.send(() =>
      answer(
        noteCall({
          path: { code },
          body: callOf({ ...v, promised: plain(v.promised), disputedAmount: plain(v.disputedAmount) }, (d: Dayjs) =>
            iso(d),
          ),
          headers: once,
        }),
      ),
    );
    if (!done) return;
    void message.success('The call is noted.');
    onClose();
  };
  return (
    <DialogForm
      title={`After a call with ${name}`}
      width={760}
      form={form}
      initial={initial}
      action="Note the call"
      beside={
        typed.callAgain ? 'Its other entries of Today are put off until then.' : 'What is left empty is left as it is.'
      }
      sending={sending}
      onSend={(v) => void save(v)}
      onClose={onClose}
    >
      <div className="call-form">
        <SuggestField name="contact" label="Spoke to" options={people.map((p) => ({ value: p.name ?? '' }))} />
        <LinesField name="text" label="What was said" rows={2} />
        <AmountField name="promised" label={`Promised, ${currency}`} />
        <DayField name="dueOn" label="Pays by" />
        <ReplacesField promises={page.promises} disabled={typed.promised.trim() === ''} />
        <ChoiceField
          name="disputed"
          label="Disputes"
          options={[
            { value: '', label: 'nothing' },
            ...debits.map((i) => ({ value: String(i.id), label: `${i.document}, ${money(i.open)} open` })),
          ]}
        />
        <div className="ties">
          <TextField name="disputeReason" label="Why" disabled={typed.disputed === ''} />
          <AmountField name="disputedAmount" label="Of it, empty for all" disabled={typed.disputed === ''} />
        </div>
        <DayField name="callAgain" label="Call again on" minDate={dayjs(today).add(1, 'day')} placeholder="no day" />
        <TextField name="callAbout" label="About" disabled={!typed.callAgain} />
        <Form.Item name="copies" label="Send copies of">
          <Select
            mode="multiple"
            maxCount={20}
            placeholder="no documents"
            options={documents.map((i) => ({ value: i.id, label: `${i.document}, ${money(i.open)} open` }))}
          />
        </Form.Item>
        <TextField
          name="recipients"
          label="E-mail, if to another address"
          disabled={typed.copies.length === 0 && !typed.statement}
        />
        <CheckField name="statement" tight>
          Send the statement of this month and the last
        </CheckField>
      </div>
    </DialogForm>
  );
}
