import { Form } from 'antd';
import { ofRuns } from '../../api/changes';
import { postRun, type RunView } from '../../api/generated';
import { answer } from '../../api/problem';
import { DialogForm } from '../../form/DialogForm';
import { CheckField } from '../../form/fields';
import { useKey } from '../../form/useKey';
import { useSend } from '../../form/useSend';
import { withCurrency } from '../../format/money';
import { runKinds } from '../../words/runs';
import { accountsIn } from './counts';

/** What posting the run brings, and whether its documents go out. */
export function PostRun({ run, onClose }: { run: RunView; onClose: () => void }) {
  const [form] = Form.useForm<{ send: boolean }>();
  const sending = useSend(form, ofRuns);
  const once = useKey();
  const ready = accountsIn(run, 'ready');
  const letters = run.kind === 'reminders';
  const post = async ({ send }: { send: boolean }) => {
    const done = await sending.send(() => answer(postRun({ path: { id: run.id }, body: { send }, headers: once })));
    if (done) onClose();
  };
  return (
    <DialogForm
      title={letters ? 'Issue the reminders' : 'Post the late charges'}
      width={520}
      form={form}
      initial={{ send: true }}
      action={letters ? `Issue ${ready} reminders` : `Post ${ready} charges`}
      beside="It goes on in the background and can be stopped."
      sending={sending}
      onSend={(v) => void post(v)}
      onClose={onClose}
    >
      <p style={{ marginTop: 0 }}>
        {runKinds[run.kind]} for <b>{ready === 1 ? '1 account' : `${ready} accounts`}</b>:{' '}
        {run.counts
          .filter((c) => c.state === 'ready')
          .map((c) => withCurrency(c.amount, c.currency))
          .join(', ')}
        .{' '}
        {letters
          ? 'Fees and late charges are posted where the level says so.'
          : 'One document is raised for each account.'}{' '}
        {accountsIn(run, 'leftOut') > 0 && `${accountsIn(run, 'leftOut')} are left out.`} An account on which something
        changes meanwhile is not posted: it is proposed anew.
      </p>
      <CheckField name="send">
        {letters ? 'Put the letters into the outbox' : 'Put the charge documents into the outbox'}
      </CheckField>
    </DialogForm>
  );
}
