import { App, Form } from 'antd';
import dayjs, { type Dayjs } from 'dayjs';
import { ofRuns } from '../../api/changes';
import { proposeRun, type RunKind } from '../../api/generated';
import { answer } from '../../api/problem';
import { DialogForm } from '../../form/DialogForm';
import { ChoiceField, DayField, TextField } from '../../form/fields';
import { useKey } from '../../form/useKey';
import { useSend } from '../../form/useSend';
import { iso } from '../../format/dates';
import { runKinds } from '../../words/runs';

interface Typed {
  date: Dayjs | null;
  scope: 'all' | 'filter' | 'accounts';
  filter: string;
  accounts: string;
}

/** Proposes a run: a date, and which accounts it looks at. */
export function NewRun({
  kind,
  today,
  filter,
  onClose,
  onDone,
}: {
  kind: RunKind;
  today: string;
  /** The board's, where the run is for what it shows. */
  filter: string;
  onClose: () => void;
  onDone: (id: number) => void;
}) {
  const [form] = Form.useForm<Typed>();
  const sending = useSend(form, ofRuns);
  const { message } = App.useApp();
  const once = useKey();
  const initial: Typed = {
    date: dayjs(today),
    scope: filter ? 'filter' : 'all',
    filter,
    accounts: '',
  };
  const scope = Form.useWatch('scope', form) ?? initial.scope;
  const propose = async (typed: Typed) => {
    const done = await sending.send(() =>
      answer(
        proposeRun({
          body: {
            kind,
            date: iso(typed.date),
            filter: typed.scope === 'filter' ? typed.filter : undefined,
            accounts:
              typed.scope === 'accounts'
                ? typed.accounts
                    .split(/[\s,;]+/)
                    .map((code) => code.trim())
                    .filter(Boolean)
                : undefined,
          },
          headers: once,
        }),
      ),
    );
    if (!done) return;
    if (done.counts.length === 0)
      void message.info(
        kind === 'reminders' ? 'Nothing is overdue on these accounts.' : 'Nothing is to be charged on these accounts.',
      );
    onDone(done.id);
  };
  return (
    <DialogForm
      title={`Propose ${runKinds[kind].toLowerCase()}`}
      width={520}
      form={form}
      initial={initial}
      action="Propose"
      beside="Nothing is posted yet."
      sending={sending}
      onSend={(v) => void propose(v)}
      onClose={onClose}
    >
      <DayField
        name="date"
        label={kind === 'reminders' ? 'Date of the letters' : 'Charge through'}
        maxDate={dayjs(today)}
      />
      <ChoiceField
        name="scope"
        label="Accounts"
        options={[
          { value: 'all', label: 'all accounts' },
          { value: 'filter', label: 'those of a filter of the board' },
          { value: 'accounts', label: 'these accounts' },
        ]}
      />
      {scope === 'filter' && (
        <TextField name="filter" label="Filter" extra="As in the board’s address, such as overdue-30 or owner=…" />
      )}
      {scope === 'accounts' && <TextField name="accounts" label="Codes" extra="Separated by commas or spaces." />}
    </DialogForm>
  );
}
