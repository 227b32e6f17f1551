import { Alert, App, Form } from 'antd';
import { ofAccount } from '../../api/changes';
import { writeOffItem, type AccountPage } from '../../api/generated';
import { answer } from '../../api/problem';
import { DialogForm } from '../../form/DialogForm';
import { AmountField, ChoiceField, TextField } from '../../form/fields';
import { plain } from '../../form/options';
import { useKey } from '../../form/useKey';
import { usePreview } from '../../form/usePreview';
import { useSend } from '../../form/useSend';
import { isNegative, money } from '../../format/money';
import { EffectPanel } from './EffectPanel';

interface Typed {
  item: string;
  amount: string;
  kind: 'small' | 'bad';
  reason: string;
}

/** Writes off what is open of an item, or a part of it, by decision. */
export function WriteOffItem({ page, at, onClose }: { page: AccountPage; at: number; onClose: () => void }) {
  const { code } = page.account;
  const [form] = Form.useForm<Typed>();
  const sending = useSend(form, ofAccount(code));
  const { message } = App.useApp();
  const once = useKey();
  const open = page.items.filter((i) => !isNegative(i.open));
  const first = page.items[at] && !isNegative(page.items[at].open) ? page.items[at] : open[0];
  const initial: Typed = { item: first ? String(first.id) : '', amount: '', kind: 'small', reason: '' };
  const typed = { ...initial, ...(Form.useWatch([], form) as Partial<Typed> | undefined) };
  const act = (preview: boolean, reason: string) =>
    answer(
      writeOffItem({
        path: { code, id: Number(typed.item) },
        query: { preview },
        headers: once,
        body: {
          amount: typed.amount.trim() === '' ? null : plain(typed.amount),
          badDebt: typed.kind === 'bad',
          reason,
        },
      }),
    );
  const {
    effect,
    problem: wrong,
    settled,
  } = usePreview(typed.item === '' ? null : `${typed.item} ${typed.amount} ${typed.kind}`, () => act(true, 'preview'));
  const post = async () => {
    if (!(await sending.send(() => act(false, typed.reason)))) return;
    void message.success('It is written off. It can be reversed from the ledger.');
    onClose();
  };
  return (
    <DialogForm
      title={`Write off on ${page.account.name}`}
      width={820}
      form={form}
      initial={initial}
      action="Write it off"
      disabled={!effect || !settled}
      beside="What is written off is measured by your authority."
      sending={sending}
      onSend={() => void post()}
      onClose={onClose}
    >
      <div className="fours">
        <ChoiceField
          name="item"
          label="Item"
          options={open.map((i) => ({ value: String(i.id), label: `${i.document} · ${money(i.open)}` }))}
        />
        <AmountField name="amount" label="Amount, if not all" wrong={wrong} />
        <ChoiceField
          name="kind"
          label="As"
          options={[
            { value: 'small', label: 'a small difference' },
            { value: 'bad', label: 'a bad debt' },
          ]}
        />
        <TextField name="reason" label="Reason" />
      </div>
      {wrong && !wrong.errors.amount && <Alert type="error" showIcon title={wrong.detail} />}
      {effect && <EffectPanel effect={effect} />}
    </DialogForm>
  );
}
