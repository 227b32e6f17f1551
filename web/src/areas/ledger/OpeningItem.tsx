import { App, AutoComplete, Button, DatePicker, Form, Input, Modal, Select } from 'antd';
import { type Dayjs } from 'dayjs';
import { postOpeningItem, type AccountPage } from '../../../api/generated';
import { answer } from '../../../api/problem';
import { useTermsPolicies } from '../../../api/queries';
import { iso } from '../../../format/dates';
import { FocusedInput } from '../../../shell/FocusedInput';
import { ProblemNote } from '../ProblemNote';
import { useSend } from '../useSend';
import { EffectPanel } from './Journal';
import { usePreview } from '../../../shell/usePreview';

interface Typed {
  document: string;
  type: string;
  date: Dayjs | null;
  due: Dayjs | null;
  amount: string;
  tax: string;
  open: string;
  terms: string;
  reference: string;
}

const asRequest = (v: Typed) => ({ ...v, date: iso(v.date), due: iso(v.due) });

/** One document that was open before these books began. A balance in one sum is refused. */
export function OpeningItem({ page, onClose }: { page: AccountPage; onClose: () => void }) {
  const [form] = Form.useForm<Typed>();
  const { send, busy, problem } = useSend(form);
  const { message } = App.useApp();
  const terms = useTermsPolicies();
  const code = page.account.code;
  const initial: Typed = {
    document: '',
    type: 'invoice',
    date: null,
    due: null,
    amount: '',
    tax: '',
    open: '',
    terms: '',
    reference: '',
  };
  const typed = { ...initial, ...(Form.useWatch([], form) as Typed | undefined) };
  const body = asRequest(typed);
  const ready = body.document.trim() && body.date && body.amount ? JSON.stringify(body) : null;
  const {
    effect,
    problem: wrong,
    settled,
  } = usePreview(ready, () => answer(postOpeningItem({ path: { code }, query: { preview: true }, body })));
  const post = async () => {
    const done = await send(() => answer(postOpeningItem({ path: { code }, body })));
    if (!done) return;
    void message.success(`${body.document} is brought in. It can be taken back from the ledger.`);
    form.resetFields();
  };
  return (
    <Modal
      title={`Bring in an open document of ${page.account.name}`}
      open
      onCancel={onClose}
      footer={null}
      width={860}
      style={{ top: 40 }}
    >
      <ProblemNote problem={problem ?? (ready ? wrong : null)} />
      <p className="muted" style={{ marginTop: 0 }}>
        One that was open before these books began, with its own date and number. A balance in one sum can’t be aged,
        charged or reminded.
      </p>
      <Form form={form} layout="vertical" onFinish={() => void post()} initialValues={initial}>
        <div style={{ display: 'grid', gridTemplateColumns: 'repeat(4, minmax(0,1fr))', gap: '0 12px' }}>
          <Form.Item name="document" label="Document number">
            <FocusedInput autoComplete="off" />
          </Form.Item>
          <Form.Item name="type" label="It is">
            <Select
              options={[
                { value: 'invoice', label: 'an invoice' },
                { value: 'credit', label: 'a credit note' },
                { value: 'receipt', label: 'money on account' },
              ]}
            />
          </Form.Item>
          <Form.Item name="date" label="Date">
            <DatePicker format="D MMM YYYY" style={{ width: '100%' }} />
          </Form.Item>
          <Form.Item name="due" label="Due">
            <DatePicker format="D MMM YYYY" placeholder="by its terms" style={{ width: '100%' }} />
          </Form.Item>
          <Form.Item name="amount" label={`Amount, ${page.account.currency}`}>
            <Input className="figure" autoComplete="off" />
          </Form.Item>
          <Form.Item name="tax" label="Tax in it">
            <Input className="figure" placeholder="none" autoComplete="off" />
          </Form.Item>
          <Form.Item name="open" label="Still open">
            <Input className="figure" placeholder="all of it" autoComplete="off" />
          </Form.Item>
          <Form.Item name="terms" label="Terms">
            <AutoComplete
              options={(terms.data ?? []).map((t) => ({ value: t.code }))}
              placeholder={page.account.terms}
            />
          </Form.Item>
        </div>
        <Form.Item name="reference" label="Reference">
          <Input autoComplete="off" />
        </Form.Item>
        {effect && <EffectPanel effect={effect} />}
        <Button
          type="primary"
          htmlType="submit"
          loading={busy}
          disabled={!effect || !settled}
          style={{ marginTop: 12 }}
        >
          Bring it in
        </Button>
      </Form>
    </Modal>
  );
}
