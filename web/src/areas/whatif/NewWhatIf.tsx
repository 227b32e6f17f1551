import { Form } from 'antd';
import dayjs, { type Dayjs } from 'dayjs';
import { ofWhatIfs } from '../../api/changes';
import { addWhatIf, type AgeingKind, type ResponsesShape, type WhatIfView } from '../../api/generated';
import { answer } from '../../api/problem';
import { useCompany, useLateChargePolicies, useReminderPlans, useTermsPolicies } from '../../api/queries';
import { DialogForm } from '../../form/DialogForm';
import { AmountField, CheckField, ChoiceField, TextField } from '../../form/fields';
import { coded, none } from '../../form/options';
import { PeriodInput } from '../../form/PeriodInput';
import { useKey } from '../../form/useKey';
import { useSend } from '../../form/useSend';
import { iso } from '../../format/dates';
import { ageingKinds } from '../../words/insight';
import { Responses } from '../checks';

interface Typed {
  name: string;
  period: [Dayjs, Dayjs];
  kind: string;
  value: string;
  terms: string;
  lateCharges: string;
  reminders: string;
  limitPercent: string;
  withResponses: boolean;
  responses?: ResponsesShape;
  movesFrom: string;
  costOfCapital: string;
}

const asWas = { ...none, label: 'as they were' };

/** What is replaced, for whom and over which period; the replay goes on behind the scenes. */
export function NewWhatIf({
  like,
  onMade,
  onClose,
}: {
  /** One that it starts from. */
  like?: WhatIfView;
  onMade: (id: number) => void;
  onClose: () => void;
}) {
  const [form] = Form.useForm<Typed>();
  const sending = useSend(form, ofWhatIfs);
  const once = useKey();
  const company = useCompany().data;
  const today = dayjs(company?.businessDate);
  const terms = useTermsPolicies().data;
  const policies = useLateChargePolicies();
  const plans = useReminderPlans();
  const [kind = '', ...value] = (like?.within ?? '').split(':');
  const initial: Typed = {
    name: '',
    period: like ? [dayjs(like.from), dayjs(like.to)] : [today.subtract(1, 'year').add(1, 'day'), today],
    kind,
    value: value.join(':'),
    terms: like?.terms ?? '',
    lateCharges: like?.lateCharges ?? '',
    reminders: like?.reminders ?? '',
    limitPercent: like?.limitPercent ?? '',
    withResponses: !!like?.responses,
    responses: like?.responses ?? company?.defaultResponses,
    movesFrom: like?.movesFrom ?? '',
    costOfCapital: like?.costOfCapital ?? company?.costOfCapital ?? '',
  };
  const typed = { ...initial, ...(Form.useWatch([], form) as Typed | undefined) };
  const send = async (t: Typed) => {
    const body = {
      name: t.name,
      from: iso(t.period[0]),
      to: iso(t.period[1]),
      within: t.kind ? `${t.kind}:${t.value.trim()}` : '',
      terms: t.terms,
      lateCharges: t.lateCharges,
      reminders: t.reminders,
      limitPercent: t.limitPercent,
      responses: t.withResponses ? t.responses : undefined,
      movesFrom: t.movesFrom,
      costOfCapital: t.costOfCapital,
    };
    const made = await sending.send(() => answer(addWhatIf({ body, headers: once })));
    if (made) onMade(made.id);
  };
  const kinds = Object.entries(ageingKinds).filter(([k]) => k !== 'field' && k !== 'currency');
  return (
    <DialogForm
      title="What if"
      width={720}
      high
      form={form}
      initial={initial}
      sending={sending}
      action="Replay"
      beside="The past is replayed behind the scenes; nothing is posted."
      onSend={(t) => void send(t)}
      onClose={onClose}
    >
      <div className="ties">
        <TextField name="name" label="Name" placeholder="What is tried out" />
        <Form.Item name="period" label="Period">
          <PeriodInput maxDate={today} />
        </Form.Item>
      </div>
      <div className="ties">
        <ChoiceField
          name="kind"
          label="Accounts"
          options={[
            { value: '', label: 'all' },
            ...kinds.map(([k, label]) => ({ value: k, label: `of one ${label.toLowerCase()}` })),
          ]}
        />
        {typed.kind ? (
          <TextField name="value" label={ageingKinds[typed.kind as AgeingKind]} placeholder="empty for those in none" />
        ) : (
          <span />
        )}
      </div>
      <div className="ties">
        <ChoiceField name="terms" label="Terms of the invoices" search options={[asWas, ...coded(terms)]} />
        <ChoiceField name="lateCharges" label="Late charges" options={[asWas, ...coded(policies.data)]} />
      </div>
      <div className="ties">
        <ChoiceField name="reminders" label="Reminders" options={[asWas, ...coded(plans.data)]} />
        <AmountField name="limitPercent" label="Limits, of what they were" suffix="%" placeholder="as they were" />
      </div>
      <div className="ties">
        <AmountField
          name="movesFrom"
          label="A discount draws payments from a cost of"
          suffix="% a year"
          placeholder="they stay on their days"
        />
        <AmountField name="costOfCapital" label="Money costs the company" suffix="% a year" />
      </div>
      <CheckField name="withResponses">Credit checks answer otherwise</CheckField>
      {typed.withResponses && <Responses name="responses" />}
    </DialogForm>
  );
}
