import { useQuery } from '@tanstack/react-query';
import { Alert, App, Button, Form } from 'antd';
import { ofAccount } from '../../api/changes';
import { issueReminder, type AccountPage, type ReminderProposalView } from '../../api/generated';
import { proposeReminderOptions } from '../../api/generated/@tanstack/react-query.gen';
import { answer } from '../../api/problem';
import { Dialog } from '../../form/Dialog';
import { ProblemNote } from '../../form/ProblemNote';
import { useFocusWhen } from '../../form/useFocusWhen';
import { useKey } from '../../form/useKey';
import { usePreview } from '../../form/usePreview';
import { useSend } from '../../form/useSend';
import { day } from '../../format/dates';
import { grouped, money } from '../../format/money';
import { Loaded } from '../../shell/Loaded';
import { deliveries } from '../../words/people';
import { EffectPanel } from '../ledger';
import { LetterItems } from './LetterItems';

const items = (n: number) => (n === 1 ? '1 item moves' : `${n} items move`);

/** The next reminder with its items, fee and effect; the very letter can be read before it is issued. */
export function IssueReminder({ page, today, onClose }: { page: AccountPage; today: string; onClose: () => void }) {
  const { code, name } = page.account;
  const query = useQuery({ ...proposeReminderOptions({ path: { code } }), staleTime: 0 });
  return (
    <Dialog title={`Next reminder for ${name}`} width={860} high onClose={onClose}>
      <Loaded query={query} what="the next reminder">
        {(next) =>
          next.level > 0 ? (
            <Proposed code={code} today={today} next={next} onClose={onClose} />
          ) : (
            <Alert type="info" showIcon title={grouped(`No reminder goes out today. ${next.leftOut ?? ''}`)} />
          )
        }
      </Loaded>
    </Dialog>
  );
}

function Proposed({
  code,
  today,
  next,
  onClose,
}: {
  code: string;
  today: string;
  next: ReminderProposalView;
  onClose: () => void;
}) {
  const [form] = Form.useForm();
  const { send, busy, problem } = useSend(form, ofAccount(code));
  const { message } = App.useApp();
  const once = useKey();
  const body = { date: today };
  const { effect, settled } = usePreview(JSON.stringify(body), () =>
    answer(issueReminder({ path: { code }, query: { preview: true }, body })),
  );
  const go = useFocusWhen(!!effect);
  const issue = async () => {
    const done = await send(() => answer(issueReminder({ path: { code }, body, headers: once })));
    if (!done) return;
    void message.success(`Reminder ${done.number ?? ''} is issued. Print its letter from Reminders.`);
    onClose();
  };
  const moving = next.items.filter((i) => i.moves).length;
  return (
    <Form form={form} onFinish={() => void issue()}>
      <ProblemNote problem={problem} />
      <p style={{ marginTop: 0 }}>
        <b>Level {next.level}</b>: <b>{items(moving)}</b> to it. To be paid by <b>{day(next.payBy)}</b>, total{' '}
        <b>{money(next.total)}</b>
        {next.setsState ? `; it sets the account to ${next.setsState}` : ''}. It goes out by {deliveries[next.delivery]}
        .
      </p>
      <LetterItems next={next} />
      {next.itemsLeftOut.length > 0 && (
        <p className="muted small">
          Left out: {next.itemsLeftOut.map((i) => `${i.label}, ${money(i.value)} ${i.formula}`).join('; ')}.
        </p>
      )}
      <div style={{ marginTop: 12 }}>{effect && <EffectPanel effect={effect} />}</div>
      <div className="row-between" style={{ marginTop: 12 }}>
        <Button href={`/api/accounts/${encodeURIComponent(code)}/reminder.pdf`} target="_blank">
          Read the letter
        </Button>
        <Button ref={go} type="primary" htmlType="submit" loading={busy} disabled={!effect || !settled}>
          Issue the reminder
        </Button>
      </div>
    </Form>
  );
}
