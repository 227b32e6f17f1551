import { Form } from 'antd';
import dayjs, { type Dayjs } from 'dayjs';
import { addReferenceRate, changeReferenceRate, type ReferenceRateView } from '../../api/generated';
import { answer } from '../../api/problem';
import { useReferenceRates } from '../../api/queries';
import { RateSteps } from '../../drawings/RateSteps';
import { Rows } from '../../form/Rows';
import { iso } from '../../format/dates';
import { PolicyForm, PolicyPage, usePolicySave } from '../policies';

interface Typed {
  code: string;
  name: string;
  reason: string;
  rates: { from?: Dayjs | null; annualRate?: string }[];
}

export function ReferenceRates() {
  const query = useReferenceRates();
  return (
    <PolicyPage query={query} kind="reference-rates" what="reference rate" many="reference rates">
      {(policy, onSaved) => <RateForm policy={policy} onSaved={onSaved} />}
    </PolicyPage>
  );
}

const asRates = (rows: Typed['rates'] | undefined) =>
  (rows ?? []).map((r) => ({ from: iso(r?.from ?? null), annualRate: r?.annualRate ?? '' }));

function RateForm({ policy, onSaved }: { policy?: ReferenceRateView; onSaved: (code: string) => void }) {
  const [form] = Form.useForm<Typed>();
  const initial: Typed = {
    code: policy?.code ?? '',
    name: policy?.name ?? '',
    reason: '',
    rates: (policy?.rates ?? []).map((r) => ({ from: dayjs(r.from), annualRate: r.annualRate ?? '' })),
  };
  const rates = (Form.useWatch('rates', form) as Typed['rates'] | undefined) ?? initial.rates;
  const saving = usePolicySave(form, policy, onSaved, (version) => {
    const v = form.getFieldsValue(true) as Typed;
    const body = { code: v.code, name: v.name || v.code, reason: v.reason, rates: asRates(v.rates) };
    return answer(version ? changeReferenceRate({ ...version, body }) : addReferenceRate({ body }));
  });
  return (
    <>
      <PolicyForm
        form={form}
        policy={policy}
        initial={initial}
        what="reference rate"
        kind="reference-rates"
        saving={saving}
        note="Late-charge policies that name it use the table as it stands."
      >
        <Rows
          name="rates"
          title="Rates"
          add="Add a rate"
          columns={[
            { name: 'from', label: 'From', prefix: 'from', kind: 'date' },
            { name: 'annualRate', label: 'Rate in percent a year', suffix: '% a year' },
          ]}
        />
      </PolicyForm>
      <section className="card pad" aria-label="Try-out">
        <h2>The rate over time</h2>
        <RateSteps rates={asRates(rates)} />
      </section>
    </>
  );
}
