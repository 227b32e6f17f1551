import { App, Form } from 'antd';
import dayjs, { type Dayjs } from 'dayjs';
import { ofMessages } from '../../api/changes';
import { sendStatements, type StatementsView } from '../../api/generated';
import { answer } from '../../api/problem';
import { DialogForm } from '../../form/DialogForm';
import { PeriodInput } from '../../form/PeriodInput';
import { ProblemNote } from '../../form/ProblemNote';
import { useKey } from '../../form/useKey';
import { usePreview } from '../../form/usePreview';
import { useSend } from '../../form/useSend';
import { iso } from '../../format/dates';

interface Typed {
  period: [Dayjs, Dayjs];
}

/** Sends the statements of the accounts that are shown over a period; who gets one is told before. */
export function SendStatements({ filter, today, onClose }: { filter: string; today: string; onClose: () => void }) {
  const [form] = Form.useForm<Typed>();
  const { message } = App.useApp();
  const sending = useSend(form, ofMessages());
  const once = useKey();
  const start = dayjs(today).startOf('month');
  const initial: Typed = { period: [start.subtract(1, 'month'), start.subtract(1, 'day')] };
  const period = (Form.useWatch('period', form) as Typed['period'] | undefined) ?? initial.period;
  const body = { from: iso(period[0]), to: iso(period[1]), filter: filter || undefined };
  const { effect, problem } = usePreview(JSON.stringify(body), () =>
    answer(sendStatements({ query: { preview: true }, body })),
  );
  const count = effect ? effect.byEmail + effect.toPrint : 0;
  const send = async () => {
    const done = await sending.send(() => answer(sendStatements({ body, headers: once })));
    if (!done) return;
    void message.success(`${done.byEmail} statements go by e-mail, ${done.toPrint} are to be printed.`);
    onClose();
  };
  return (
    <DialogForm
      title="Send statements"
      form={form}
      initial={initial}
      sending={sending}
      action={effect ? `Send ${count} statements` : 'Send statements'}
      disabled={count === 0}
      beside="They wait in the outbox, where each can be read and held back."
      onSend={() => void send()}
      onClose={onClose}
    >
      <ProblemNote problem={problem} />
      <Form.Item name="period" label="Period">
        <PeriodInput />
      </Form.Item>
      {effect && <Who of={effect} />}
    </DialogForm>
  );
}

const Who = ({ of }: { of: StatementsView }) => (
  <dl className="figures" data-testid="who">
    <dt>By e-mail</dt>
    <dd>{of.byEmail}</dd>
    <dt>To be printed</dt>
    <dd>{of.toPrint}</dd>
    <dt>Nothing moved and nothing is open</dt>
    <dd>{of.nothing}</dd>
    <dt>Sent before for this period</dt>
    <dd>{of.already}</dd>
  </dl>
);
