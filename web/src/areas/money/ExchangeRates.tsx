import { useQuery } from '@tanstack/react-query';
import { Alert, App, Button, DatePicker, Form, Input, Select, Upload } from 'antd';
import dayjs, { type Dayjs } from 'dayjs';
import { useState } from 'react';
import { addRates, fetchRates, listRates, type RatesView } from '../../api/generated';
import { answer, asProblem, type Problem } from '../../api/problem';
import { upload } from '../../api/upload';
import { useChoices, useCompany } from '../../api/queries';
import { day, iso } from '../../format/dates';
import { ProblemNote } from '../accounts/ProblemNote';
import { useSend } from '../accounts/useSend';
import { useMay } from '../users/useSession';

/** Rates of the day, by which groups and authorities add up several currencies. */
export function ExchangeRates() {
  const rates = useQuery({ queryKey: ['rates'], queryFn: () => answer(listRates()) });
  const company = useCompany();
  const choices = useChoices();
  const may = useMay();
  const { message } = App.useApp();
  const [form] = Form.useForm<{ currency: string; date: Dayjs; rate: string }>();
  const { send, busy, problem } = useSend(form);
  const [other, setOther] = useState<Problem | null>(null);
  if (rates.isError)
    return (
      <Alert type="error" showIcon title={asProblem(rates.error).title} description={asProblem(rates.error).detail} />
    );
  if (!rates.data || !company.data) return null;
  const tell = (n: number) => void message.success(n === 0 ? 'All of them were known already.' : `${n} rates are new.`);
  const get = async (call: () => Promise<RatesView>) => {
    setOther(null);
    try {
      const got = await call();
      tell(got.added);
      await rates.refetch();
    } catch (e) {
      setOther(asProblem(e));
    }
  };
  const add = async (v: { currency: string; date: Dayjs; rate: string }) => {
    const done = await send(async () => {
      try {
        return await answer(
          addRates({ body: { rates: [{ currency: v.currency, date: iso(v.date), rate: v.rate.trim() }] } }),
        );
      } catch (e) {
        // One row: its fields are those of the form.
        const p = asProblem(e);
        throw {
          ...p,
          errors: Object.fromEntries(Object.entries(p.errors).map(([k, m]) => [k.replace('rates[0].', ''), m])),
        } as Problem;
      }
    });
    if (!done) return;
    tell(done.added);
    form.resetFields(['rate']);
  };
  const base = rates.data.baseCurrency;
  return (
    <div className="policies" style={{ gridTemplateColumns: '340px minmax(0, 1fr)' }}>
      <section className="card pad" aria-label="New rates">
        <h2>New rates</h2>
        <p className="muted small">
          What one unit is worth in {base}. Groups and authorities reckon with the latest rate on or before the day, at
          most {company.data.oldestRate} days old.
        </p>
        <ProblemNote problem={other} />
        {may('controller') ? (
          <>
            <Form
              form={form}
              layout="vertical"
              initialValues={{ currency: 'EUR', date: dayjs(company.data.businessDate), rate: '' }}
              onFinish={(v) => void add(v)}
            >
              <ProblemNote problem={problem} />
              <Form.Item name="currency" label="Currency">
                <Select
                  showSearch
                  options={choices.data?.currencies.filter((c) => c !== base).map((value) => ({ value }))}
                />
              </Form.Item>
              <Form.Item name="date" label="Date">
                <DatePicker format="D MMM YYYY" allowClear={false} style={{ width: '100%' }} />
              </Form.Item>
              <Form.Item name="rate" label={`Worth in ${base}`}>
                <Input inputMode="decimal" className="figure" autoComplete="off" />
              </Form.Item>
              <Button type="primary" htmlType="submit" loading={busy}>
                Add the rate
              </Button>
            </Form>
            <div style={{ display: 'flex', gap: 8, marginTop: 14, flexWrap: 'wrap' }}>
              <Button onClick={() => void get(() => answer(fetchRates()))}>Fetch from the simulated feed</Button>
              <Upload
                accept=".csv,text/csv"
                showUploadList={false}
                beforeUpload={(file) => {
                  void get(() => upload<RatesView>('/api/rates/file', file));
                  return false;
                }}
              >
                <Button>From a CSV file: date, currency, rate</Button>
              </Upload>
            </div>
          </>
        ) : (
          <p className="muted small">Controllers keep the rates.</p>
        )}
      </section>
      <section className="card pad" aria-label="Rates" style={{ maxHeight: '70vh', overflow: 'auto' }} tabIndex={0}>
        <h2>Rates</h2>
        {rates.data.latest.length === 0 && (
          <p className="muted">There are no rates yet. Fetch them, bring a file in, or add one.</p>
        )}
        <table className="grid">
          <thead>
            <tr>
              <th>Date</th>
              <th>Currency</th>
              <th className="figure">Worth in {base}</th>
              <th>Source</th>
              <th>Recorded</th>
            </tr>
          </thead>
          <tbody>
            {rates.data.latest.map((r, i) => (
              <tr key={i}>
                <td className="nowrap">{day(r.date)}</td>
                <td>{r.currency}</td>
                <td className="figure">{r.rate}</td>
                <td className="small">{r.source}</td>
                <td className="small">{day(r.recorded)}</td>
              </tr>
            ))}
          </tbody>
        </table>
      </section>
    </div>
  );
}
