import { App, Form } from 'antd';
import { ofAccount } from '../../api/changes';
import { raiseDispute, type AccountPage } from '../../api/generated';
import { answer } from '../../api/problem';
import { DialogForm } from '../../form/DialogForm';
import { AmountField, ChoiceField, TextField } from '../../form/fields';
import { plain } from '../../form/options';
import { useSend } from '../../form/useSend';
import { money } from '../../format/money';

interface Typed {
  itemId: string;
  amount: string;
  owner: string;
  reason: string;
}

/** Notes that the customer disputes an item, or a part of it. */
export function NoteDispute({ page, onClose }: { page: AccountPage; onClose: () => void }) {
  const { code, name, owner } = page.account;
  const [form] = Form.useForm<Typed>();
  const sending = useSend(form, ofAccount(code));
  const { message } = App.useApp();
  const items = page.items.filter((i) => !i.open.startsWith('-'));
  const save = async ({ itemId, amount, ...rest }: Typed) => {
    const body = { ...rest, itemId: Number(itemId), amount: plain(amount) };
    if (!(await sending.send(() => answer(raiseDispute({ path: { code }, body }))))) return;
    void message.success('The dispute is noted.');
    onClose();
  };
  return (
    <DialogForm
      title={`A dispute of ${name}`}
      form={form}
      initial={{ itemId: String(items[0]?.id ?? ''), amount: '', owner, reason: '' }}
      action="Note the dispute"
      sending={sending}
      onSend={(v) => void save(v)}
      onClose={onClose}
    >
      <ChoiceField
        name="itemId"
        label="Item"
        options={items.map((i) => ({ value: String(i.id), label: `${i.document}, ${money(i.open)} open` }))}
      />
      <AmountField name="amount" label="Disputed amount, empty for all of it" />
      <TextField name="reason" label="Reason" />
      <TextField name="owner" label="Who settles it" />
    </DialogForm>
  );
}
