import { Alert, App, Button, Form, Input } from 'antd';
import dayjs, { type Dayjs } from 'dayjs';
import { useState } from 'react';
import { ofAccount } from '../../api/changes';
import { setOff, type AccountPage } from '../../api/generated';
import { answer } from '../../api/problem';
import { DialogForm } from '../../form/DialogForm';
import { ChoiceField, DayField } from '../../form/fields';
import { useKey } from '../../form/useKey';
import { usePreview } from '../../form/usePreview';
import { useSend } from '../../form/useSend';
import { day, iso } from '../../format/dates';
import { money, size } from '../../format/money';
import { Grid } from '../../table/Grid';
import { itemKinds } from '../../words/ledger';
import { EffectPanel } from '../ledger';
import { asItems, isCredit, smaller, type Taken } from './setOff';

interface Typed {
  credit: string;
  valueDate: Dayjs;
}

/** Sets a credit note, or what is left on account, against open items. What is owed in all does not change by it. */
export function SetOff({ page, today, onClose }: { page: AccountPage; today: string; onClose: () => void }) {
  const { account } = page;
  const credits = page.items.filter(isCredit);
  const debits = page.items.filter((i) => !isCredit(i));
  const [form] = Form.useForm<Typed>();
  const sending = useSend(form, ofAccount(account.code));
  const { message } = App.useApp();
  const once = useKey();
  const [taken, setTaken] = useState<Taken>({});
  const initial: Typed = { credit: credits[0] ? String(credits[0].id) : '', valueDate: dayjs(today) };
  const typed = { ...initial, ...(Form.useWatch([], form) as Partial<Typed> | undefined) };
  const items = asItems(taken);
  const left = (credits.find((c) => String(c.id) === typed.credit)?.open ?? '').replace('-', '');
  const body = { credit: Number(typed.credit), valueDate: iso(typed.valueDate), items };
  const path = { code: account.code };
  const { effect, problem, settled } = usePreview(
    items.length === 0 || typed.credit === '' ? null : JSON.stringify(body),
    () => answer(setOff({ path, query: { preview: true }, body })),
  );
  const post = async () => {
    if (!(await sending.send(() => answer(setOff({ path, body, headers: once }))))) return;
    void message.success('It is set off. It can be reversed from the ledger.');
    onClose();
  };
  return (
    <DialogForm
      title={`Set off a credit of ${account.name}`}
      width={860}
      high
      form={form}
      initial={initial}
      action="Set it off"
      disabled={!effect || !settled}
      beside={effect ? 'This is what will be posted.' : 'Give each item what it takes of the credit.'}
      sending={sending}
      onSend={() => void post()}
      onClose={onClose}
    >
      {credits.length === 0 ? (
        <Alert type="info" showIcon title="Nothing is on account: no credit note and no receipt is open." />
      ) : (
        <>
          <div className="ties">
            <ChoiceField
              name="credit"
              label="Credit"
              options={credits.map((c) => ({
                value: String(c.id),
                label: `${c.document}, ${itemKinds[c.kind]}: ${size(c.open)} ${account.currency}`,
              }))}
            />
            <DayField name="valueDate" label="Value date" wrong={problem} />
          </div>
          <div className="card scrolled" style={{ marginTop: 14 }}>
            <Grid
              label="Items to set it against"
              rows={debits}
              keyOf={(i) => i.id}
              empty="Nothing else is open on this account."
              columns={[
                { title: 'Item', className: 'strong nowrap', cell: (i) => i.document },
                { title: 'Due', className: 'nowrap', cell: (i) => day(i.due) },
                { title: 'Open', figure: true, cell: (i) => money(i.open) },
                {
                  title: 'Takes',
                  figure: true,
                  cell: (i) => (
                    <Input
                      size="small"
                      className="figure"
                      inputMode="decimal"
                      autoComplete="off"
                      aria-label={`Takes of the credit, ${i.document}`}
                      style={{ width: 120 }}
                      value={taken[i.id] ?? ''}
                      onChange={(e) => setTaken({ ...taken, [i.id]: e.target.value })}
                    />
                  ),
                },
                {
                  hidden: 'As much as there is',
                  cell: (i) => (
                    <Button
                      size="small"
                      type="text"
                      onClick={() => setTaken({ ...taken, [i.id]: left ? smaller(i.open, left) : i.open })}
                    >
                      As much as there is
                    </Button>
                  ),
                },
              ]}
            />
          </div>
        </>
      )}
      {problem && !problem.errors.valueDate && (
        <Alert style={{ marginTop: 10 }} type="error" showIcon title={problem.detail} />
      )}
      {effect && (
        <div style={{ marginTop: 12 }}>
          {effect.journal.length === 0 && (
            <p className="muted">A credit note stands in receivables already, so that nothing is journalled.</p>
          )}
          <EffectPanel effect={effect} />
        </div>
      )}
    </DialogForm>
  );
}
