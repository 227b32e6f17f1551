import { useQuery } from '@tanstack/react-query';
import { AutoComplete, Button, DatePicker, Form, Input, Select } from 'antd';
import dayjs, { type Dayjs } from 'dayjs';
import { addToLog, listLog } from '../../api/generated';
import { answer } from '../../api/problem';
import { useCustomer } from '../../api/queries';
import { day, iso } from '../../format/dates';
import { ProblemNote } from './ProblemNote';
import { useSend } from './useSend';

const kinds: Record<string, string> = { call: 'Call', letter: 'Letter', email: 'E-mail', note: 'Note' };

/** What was said and written, newest first. */
export function ContactLog({ code, today }: { code: string; today: string }) {
  const [form] = Form.useForm<{ kind: string; on: Dayjs; contact: string; text: string }>();
  const { send, busy, problem } = useSend(form);
  const log = useQuery({ queryKey: ['log', code], queryFn: () => answer(listLog({ path: { code } })) });
  const customer = useCustomer(code);
  const people = (customer.data?.customer.contacts ?? []).filter((c) => c.active);
  const add = async () => {
    const v = form.getFieldsValue(true);
    const body = { kind: v.kind, on: iso(v.on), contact: v.contact, text: v.text };
    if (await send(() => answer(addToLog({ path: { code }, body })))) form.resetFields();
  };
  return (
    <div style={{ padding: '4px 6px 14px' }}>
      {people.length > 0 && (
        <p className="small" style={{ margin: '0 0 10px' }}>
          {people.map((p) => (
            <span key={p.name} style={{ marginRight: 18 }}>
              <b>{p.name}</b>
              {p.role && `, ${p.role}`} {p.phone && <span className="figure">{p.phone}</span>}{' '}
              {p.email && <a href={`mailto:${p.email}`}>{p.email}</a>}
            </span>
          ))}
        </p>
      )}
      <ProblemNote problem={problem} />
      <Form
        form={form}
        layout="vertical"
        onFinish={() => void add()}
        initialValues={{ kind: 'call', on: dayjs(today), contact: people[0]?.name ?? '', text: '' }}
      >
        <div
          style={{
            display: 'grid',
            gridTemplateColumns: '110px 140px 180px minmax(0,1fr) auto',
            gap: 10,
            alignItems: 'start',
          }}
        >
          <Form.Item name="kind" label="What">
            <Select options={Object.entries(kinds).map(([value, label]) => ({ value, label }))} />
          </Form.Item>
          <Form.Item name="on" label="On">
            <DatePicker format="D MMM YYYY" allowClear={false} maxDate={dayjs(today)} style={{ width: '100%' }} />
          </Form.Item>
          <Form.Item name="contact" label="With">
            <AutoComplete options={people.map((p) => ({ value: p.name ?? '' }))} />
          </Form.Item>
          <Form.Item name="text" label="What it was about">
            <Input.TextArea autoSize={{ minRows: 1, maxRows: 6 }} />
          </Form.Item>
          <Form.Item label=" " colon={false}>
            <Button htmlType="submit" loading={busy}>
              Write it down
            </Button>
          </Form.Item>
        </div>
      </Form>
      <table className="grid" aria-label="Contact log">
        <tbody>
          {log.data?.map((entry) => (
            <tr key={entry.id} className="top">
              <td className="nowrap">{day(entry.on)}</td>
              <td className="nowrap">{kinds[entry.kind] ?? entry.kind}</td>
              <td className="nowrap">{entry.contact}</td>
              <td style={{ whiteSpace: 'pre-wrap' }}>{entry.text}</td>
              <td className="muted small nowrap">{entry.madeBy}</td>
            </tr>
          ))}
        </tbody>
      </table>
      {log.data?.length === 0 && <p className="muted small">Nothing was written down yet.</p>}
    </div>
  );
}
