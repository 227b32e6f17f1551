import { useQuery } from '@tanstack/react-query';
import { App, Button, DatePicker, Form, Input, Modal, Segmented, Select } from 'antd';
import dayjs, { type Dayjs } from 'dayjs';
import { useState } from 'react';
import {
  changeGroupLimit,
  changeLimit,
  grantGroupUplift,
  grantUplift,
  suggestLimits,
  type LimitAnswerView,
} from '../../../api/generated';
import { answer } from '../../../api/problem';
import { useCompany } from '../../../api/queries';
import { iso } from '../../../format/dates';
import { money } from '../../../format/money';
import { FocusedInput } from '../../../shell/FocusedInput';
import { useWorkings } from '../../../workings/Workings';
import { ProblemNote } from '../ProblemNote';
import { sourceOptions } from '../sources';
import { useSend } from '../useSend';

/** What has a limit: an account by its code, or a group by its name. */
export interface Holder {
  code?: string;
  group?: string;
  name: string;
  currency: string;
  limit: string;
  exposure: string;
}

interface Typed {
  amount: string;
  from: Dayjs;
  until?: Dayjs;
  reason: string;
  source: string;
  insured: string;
  security: string;
  securityAmount: string;
  reviewOn?: Dayjs | null;
}

const methods: Record<string, string> = { sales: 'by its sales', agency: 'by the agency', netWorth: 'by net worth' };
const plain = (amount: string | undefined) => (amount ?? '').replaceAll(',', '').trim();

/** A new standing limit from a day on, or an uplift with an end; above one's authority it is asked for. */
export function ChangeLimit({
  holder,
  today,
  confirm,
  onClose,
}: {
  holder: Holder;
  today: string;
  confirm?: boolean;
  onClose: () => void;
}) {
  const [form] = Form.useForm<Typed>();
  const { send, busy, problem } = useSend(form);
  const { message } = App.useApp();
  const [uplift, setUplift] = useState(false);
  const company = useCompany();
  const save = async (v: Typed) => {
    const all = { ...(form.getFieldsValue(true) as Typed), ...v };
    const body = {
      amount: plain(all.amount),
      from: iso(all.from),
      until: iso(all.until),
      reason: all.reason,
      source: all.source,
      insured: plain(all.insured),
      security: all.security,
      securityAmount: plain(all.securityAmount),
      reviewOn: all.reviewOn ? iso(all.reviewOn) : '',
    };
    const done = await send((): Promise<LimitAnswerView> =>
      holder.code !== undefined
        ? uplift
          ? answer(grantUplift({ path: { code: holder.code }, body }))
          : answer(changeLimit({ path: { code: holder.code }, body }))
        : uplift
          ? answer(grantGroupUplift({ path: { name: holder.group ?? '' }, body }))
          : answer(changeGroupLimit({ path: { name: holder.group ?? '' }, body })),
    );
    if (!done) return;
    if (done.outcome === 'asked')
      void message.info('This lies above your authority: it waits for somebody else’s approval.');
    else void message.success(uplift ? 'The uplift is set.' : 'The limit is changed.');
    onClose();
  };
  return (
    <Modal title={`Limit of ${holder.name}`} open onCancel={onClose} footer={null} width={560}>
      <ProblemNote problem={problem} />
      <p className="muted" style={{ marginTop: 0 }}>
        Standing limit {money(holder.limit)} {holder.currency}, exposure {money(holder.exposure)}.
      </p>
      {holder.code !== undefined && (
        <Suggestions code={holder.code} onTake={(amount) => form.setFieldValue('amount', amount)} />
      )}
      {!confirm && (
        <Segmented
          value={uplift ? 'uplift' : 'standing'}
          onChange={(v) => setUplift(v === 'uplift')}
          options={[
            { value: 'standing', label: 'Standing limit' },
            { value: 'uplift', label: 'Uplift for a time' },
          ]}
          style={{ marginBottom: 14 }}
        />
      )}
      <Form
        form={form}
        layout="vertical"
        onFinish={(v) => void save(v)}
        initialValues={{
          amount: confirm ? holder.limit : '',
          from: dayjs(today),
          until: dayjs(today).add(30, 'day'),
          reason: '',
          source: 'ownAssessment',
          insured: '',
          security: '',
          securityAmount: '',
        }}
      >
        <div className="ties">
          <Form.Item name="amount" label={uplift ? 'Added to the limit' : 'New limit'}>
            <FocusedInput inputMode="decimal" className="figure" autoComplete="off" />
          </Form.Item>
          <Form.Item name="from" label="From">
            <DatePicker format="D MMM YYYY" allowClear={false} style={{ width: '100%' }} />
          </Form.Item>
          {uplift ? (
            <Form.Item name="until" label="Until, that day included">
              <DatePicker format="D MMM YYYY" allowClear={false} style={{ width: '100%' }} />
            </Form.Item>
          ) : (
            <>
              <Form.Item name="source" label="Source">
                <Select options={sourceOptions} />
              </Form.Item>
              <Form.Item name="reviewOn" label="Review by">
                <DatePicker
                  format="D MMM YYYY"
                  style={{ width: '100%' }}
                  placeholder={company.data?.reviewMonths ? `after ${company.data.reviewMonths} months` : 'never'}
                />
              </Form.Item>
              <Form.Item name="insured" label="Insured part">
                <Input inputMode="decimal" className="figure" autoComplete="off" />
              </Form.Item>
              <Form.Item name="securityAmount" label="Security held, worth">
                <Input inputMode="decimal" className="figure" autoComplete="off" />
              </Form.Item>
              <Form.Item name="security" label="What security">
                <Input autoComplete="off" placeholder="guarantee, charge, deposit" />
              </Form.Item>
            </>
          )}
        </div>
        <Form.Item name="reason" label="Reason">
          <Input autoComplete="off" />
        </Form.Item>
        <Button type="primary" htmlType="submit" loading={busy}>
          {uplift ? 'Grant the uplift' : confirm ? 'Confirm the limit' : 'Change the limit'}
        </Button>
      </Form>
    </Modal>
  );
}

function Suggestions({ code, onTake }: { code: string; onTake: (amount: string) => void }) {
  const { data } = useQuery({
    queryKey: ['suggested', code],
    queryFn: () => answer(suggestLimits({ path: { code } })),
  });
  const show = useWorkings();
  const known = (data ?? []).filter((s) => s.amount !== null);
  if (known.length === 0) return null;
  return (
    <p className="small" style={{ marginTop: 0 }}>
      Suggested:{' '}
      {known.map((s, i) => (
        <span key={s.method}>
          {i > 0 ? ' · ' : ''}
          <button type="button" className="linkish" onClick={() => onTake(s.amount ?? '')}>
            {money(s.amount)}
          </button>{' '}
          {methods[s.method]}{' '}
          <button
            type="button"
            className="linkish muted"
            onClick={() => show({ title: `Limit suggested ${methods[s.method]}`, workings: s.workings })}
          >
            workings
          </button>
        </span>
      ))}
    </p>
  );
}
