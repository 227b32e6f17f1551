import { useQuery } from '@tanstack/react-query';
import { Button, Form, Input } from 'antd';
import dayjs, { type Dayjs } from 'dayjs';
import { ofAccount } from '../../api/changes';
import { addToLog, type ContactKind } from '../../api/generated';
import { listLogOptions } from '../../api/generated/@tanstack/react-query.gen';
import { answer } from '../../api/problem';
import { useCustomer } from '../../api/queries';
import { ChoiceField, DayField, SuggestField } from '../../form/fields';
import { choices } from '../../form/options';
import { ProblemNote } from '../../form/ProblemNote';
import { useUnsaved } from '../../form/unsaved';
import { useSend } from '../../form/useSend';
import { day, iso } from '../../format/dates';
import { Loaded } from '../../shell/Loaded';
import { useMay } from '../../shell/session';
import { Grid } from '../../table/Grid';
import { contactKinds } from '../../words/people';

interface Typed {
  kind: ContactKind;
  on: Dayjs;
  contact: string;
  text: string;
}

/** What was said and written, newest first. */
export function ContactLog({ code, today }: { code: string; today: string }) {
  const [form] = Form.useForm<Typed>();
  const { send, busy, problem } = useSend(form, ofAccount(code));
  const may = useMay();
  useUnsaved(() => form.isFieldTouched('text'));
  const log = useQuery(listLogOptions({ path: { code } }));
  const customer = useCustomer(code);
  const people = (customer.data?.customer.contacts ?? []).filter((c) => c.active);
  const add = async () => {
    const v = form.getFieldsValue(true) as Typed;
    if (await send(() => answer(addToLog({ path: { code }, body: { ...v, on: iso(v.on) } })))) form.resetFields();
  };
  return (
    <div className="tab-part">
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
      {may('controller') && (
        <Form
          form={form}
          layout="vertical"
          onFinish={() => void add()}
          initialValues={{ kind: 'call', on: dayjs(today), contact: people[0]?.name ?? '', text: '' }}
        >
          <div className="log-form">
            <ChoiceField name="kind" label="What" options={choices(contactKinds)} />
            <DayField name="on" label="On" maxDate={dayjs(today)} />
            <SuggestField name="contact" label="With" options={people.map((p) => ({ value: p.name ?? '' }))} />
            <Form.Item name="text" label="What it was about">
              <Input.TextArea autoSize={{ minRows: 1, maxRows: 6 }} />
            </Form.Item>
            <Form.Item label=" " colon={false}>
              <Button htmlType="submit" loading={busy}>
                Add to the log
              </Button>
            </Form.Item>
          </div>
        </Form>
      )}
      <Loaded query={log} what="the log" lines={4}>
        {(rows) => (
          <Grid
            label="Contact log"
            rows={rows}
            keyOf={(entry) => entry.id}
            empty="The log is empty. Note a call above."
            rowClass={() => 'top'}
            columns={[
              { title: 'On', className: 'nowrap', cell: (e) => day(e.on) },
              { title: 'What', className: 'nowrap', cell: (e) => contactKinds[e.kind] },
              { title: 'With', className: 'nowrap', cell: (e) => e.contact },
              { title: 'What it was about', className: 'as-typed', cell: (e) => e.text },
              { title: 'By', className: 'muted small nowrap', cell: (e) => e.madeBy },
            ]}
          />
        )}
      </Loaded>
    </div>
  );
}
