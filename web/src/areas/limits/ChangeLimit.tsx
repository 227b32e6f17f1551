import { App, Form, Segmented } from 'antd';
import dayjs, { type Dayjs } from 'dayjs';
import { useState } from 'react';
import { ofAccount, ofAccounts } from '../../api/changes';
import type { LimitAnswerView, SetLimitRequest, LimitSource } from '../../api/generated';
import { useCompany } from '../../api/queries';
import { DialogForm } from '../../form/DialogForm';
import { AmountField, ChoiceField, DayField, TextField } from '../../form/fields';
import { choices, plain } from '../../form/options';
import { useSend } from '../../form/useSend';
import { iso } from '../../format/dates';
import { money } from '../../format/money';
import { sourceNames } from '../../words/limits';
import { setLimit, setUplift, type Holder } from './holder';
import { Suggestions } from './Suggestions';

interface Typed {
  amount: string;
  from: Dayjs;
  until: Dayjs;
  reason: string;
  source: LimitSource;
  insured: string;
  security: string;
  securityAmount: string;
  reviewOn: Dayjs | null;
}

const asBody = (v: Typed): SetLimitRequest => ({
  ...v,
  amount: plain(v.amount),
  from: iso(v.from),
  until: iso(v.until),
  insured: plain(v.insured),
  securityAmount: plain(v.securityAmount),
  reviewOn: iso(v.reviewOn),
});

/** A new standing limit from a day on, or an uplift with an end; above one's authority it is asked for. */
export function ChangeLimit({
  holder,
  today,
  confirm,
  onClose,
}: {
  holder: Holder;
  today: string;
  /** The standing limit is looked at again, and may stay as it is. */
  confirm?: boolean;
  onClose: () => void;
}) {
  const [form] = Form.useForm<Typed>();
  const sending = useSend(form, holder.code === undefined ? ofAccounts : ofAccount(holder.code));
  const { message } = App.useApp();
  const [uplift, setUpliftOn] = useState(false);
  const company = useCompany();
  const review = company.data?.reviewMonths;
  const save = async (v: Typed) => {
    const done = await sending.send((): Promise<LimitAnswerView> => (uplift ? setUplift : setLimit)(holder, asBody(v)));
    if (!done) return;
    if (done.outcome === 'asked')
      void message.info('This lies above your authority: it waits for somebody else’s approval.');
    else void message.success(uplift ? 'The uplift is set.' : 'The limit is changed.');
    onClose();
  };
  return (
    <DialogForm
      title={`Limit of ${holder.name}`}
      width={560}
      form={form}
      initial={{
        amount: confirm ? holder.limit : '',
        from: dayjs(today),
        until: dayjs(today).add(30, 'day'),
        reason: '',
        source: 'ownAssessment',
        insured: '',
        security: '',
        securityAmount: '',
        reviewOn: null,
      }}
      action={uplift ? 'Grant the uplift' : confirm ? 'Confirm the limit' : 'Change the limit'}
      sending={sending}
      onSend={(v) => void save(v)}
      onClose={onClose}
      above={
        <>
          <p className="muted" style={{ marginTop: 0 }}>
            Standing limit {money(holder.limit)} {holder.currency}, exposure {money(holder.exposure)}.
          </p>
          {!confirm && (
            <Segmented
              value={uplift ? 'uplift' : 'standing'}
              onChange={(v) => setUpliftOn(v === 'uplift')}
              options={[
                { value: 'standing', label: 'Standing limit' },
                { value: 'uplift', label: 'Uplift for a time' },
              ]}
              style={{ marginBottom: 14 }}
            />
          )}
          {/* What comes a moment later moves nothing that one may be about to click. */}
          {holder.code !== undefined && (
            <Suggestions code={holder.code} onTake={(amount) => form.setFieldValue('amount', amount)} />
          )}
        </>
      }
    >
      <div className="ties">
        <AmountField name="amount" label={uplift ? 'Added to the limit' : 'New limit'} />
        <DayField name="from" label="From" />
        {uplift ? (
          <DayField name="until" label="Until, that day included" />
        ) : (
          <>
            <ChoiceField name="source" label="Source" options={choices(sourceNames)} />
            <DayField name="reviewOn" label="Review by" placeholder={review ? `after ${review} months` : 'never'} />
            <AmountField name="insured" label="Insured part" />
            <AmountField name="securityAmount" label="Value of security" />
            <TextField name="security" label="Security" placeholder="guarantee, charge, deposit" />
          </>
        )}
      </div>
      <TextField name="reason" label="Reason" />
    </DialogForm>
  );
}
