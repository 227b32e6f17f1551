import { useQueryClient } from '@tanstack/react-query';
import { App, Button, Form } from 'antd';
import dayjs, { type Dayjs } from 'dayjs';
import { useState } from 'react';
import { ofRates, readAgain } from '../../api/changes';
import { addRates, fetchRates, type CompanyView, type RatesView } from '../../api/generated';
import { answer, asProblem, type Problem } from '../../api/problem';
import { useChoices } from '../../api/queries';
import { upload } from '../../api/upload';
import { AmountField, ChoiceField, DayField } from '../../form/fields';
import { FilePick } from '../../form/FilePick';
import { plainChoices } from '../../form/options';
import { ProblemNote } from '../../form/ProblemNote';
import { useSend } from '../../form/useSend';
import { iso } from '../../format/dates';
import { useMay } from '../../shell/session';
import { ofOneRow } from './oneRow';

interface Typed {
  currency: string;
  date: Dayjs;
  rate: string;
}

/** New rates: typed in, fetched, or imported from a file. */
export function NewRates({ base, company }: { base: string; company: CompanyView }) {
  const choices = useChoices();
  const client = useQueryClient();
  const may = useMay();
  const { message } = App.useApp();
  const [form] = Form.useForm<Typed>();
  const { send, busy, problem } = useSend(form, ofRates);
  const [other, setOther] = useState<Problem | null>(null);
  const tell = (n: number) => void message.success(n === 0 ? 'All of them were known already.' : `${n} rates are new.`);
  const get = async (call: () => Promise<RatesView>) => {
    setOther(null);
    try {
      const got = await call();
      tell(got.added);
      await readAgain(client, ofRates);
    } catch (e) {
      setOther(asProblem(e));
    }
  };
  const add = async ({ currency, date, rate }: Typed) => {
    const body = { rates: [{ currency, date: iso(date), rate: rate.trim() }] };
    const done = await send(() => ofOneRow('rates', answer(addRates({ body }))));
    if (!done) return;
    tell(done.added);
    form.resetFields(['rate']);
  };
  return (
    <section className="card pad" aria-label="New rates">
      <h2>New rates</h2>
      <p className="muted small">
        What one unit is worth in {base}. Groups and authorities use the latest rate on or before the day, at most{' '}
        {company.oldestRate} days old.
      </p>
      <ProblemNote problem={other} />
      {may('controller') ? (
        <>
          <Form
            form={form}
            layout="vertical"
            initialValues={{ currency: 'EUR', date: dayjs(company.businessDate), rate: '' }}
            onFinish={(v) => void add(v)}
          >
            <ProblemNote problem={problem} />
            <ChoiceField
              name="currency"
              label="Currency"
              search
              options={plainChoices(choices.data?.currencies.filter((c) => c !== base))}
            />
            <DayField name="date" label="Date" />
            <AmountField name="rate" label={`Worth in ${base}`} />
            <Button type="primary" htmlType="submit" loading={busy}>
              Add the rate
            </Button>
          </Form>
          <div style={{ display: 'flex', gap: 8, marginTop: 14, flexWrap: 'wrap' }}>
            <Button onClick={() => void get(() => answer(fetchRates()))}>Fetch from the simulated feed</Button>
            <FilePick
              label="File of rates"
              accept=".csv,text/csv"
              onPick={(file) => void get(() => upload<RatesView>('/api/rates/file', file))}
            >
              From a CSV file: date, currency, rate
            </FilePick>
          </div>
        </>
      ) : (
        <p className="muted small">Controllers keep the rates.</p>
      )}
    </section>
  );
}
