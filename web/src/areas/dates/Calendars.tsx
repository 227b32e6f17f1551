import { Button, Form, Input } from 'antd';
import { DayInput } from '../../form/DayInput';
import dayjs, { type Dayjs } from 'dayjs';
import { useState } from 'react';
import { ofNothing } from '../../api/changes';
import { addCalendar, changeCalendar, readHolidayFile, type CalendarView } from '../../api/generated';
import { answer } from '../../api/problem';
import { useCalendars, useCompany } from '../../api/queries';
import { iso } from '../../format/dates';
import { FilePick } from '../../form/FilePick';
import { useSend } from '../../form/useSend';
import { PolicyForm, PolicyPage, usePolicySave } from '../policies';
import { HolidayYear } from './HolidayYear';

interface Typed {
  code: string;
  name: string;
  reason: string;
  holidays: { date?: Dayjs | null; name?: string }[];
}

export function Calendars() {
  const query = useCalendars();
  return (
    <PolicyPage query={query} kind="calendars" what="calendar" many="calendars">
      {(policy, onSaved) => <CalendarForm policy={policy} onSaved={onSaved} />}
    </PolicyPage>
  );
}

const asHolidays = (rows: Typed['holidays'] | undefined) =>
  (rows ?? []).map((h) => ({ date: iso(h?.date ?? null), name: h?.name ?? '' }));

function CalendarForm({ policy, onSaved }: { policy?: CalendarView; onSaved: (code: string) => void }) {
  const [form] = Form.useForm<Typed>();
  const company = useCompany();
  const reading = useSend(form, ofNothing);
  const initial: Typed = {
    code: policy?.code ?? '',
    name: policy?.name ?? '',
    reason: '',
    holidays: (policy?.holidays ?? []).map((h) => ({ date: dayjs(h.date), name: h.name ?? '' })),
  };
  const holidays = (Form.useWatch('holidays', form) as Typed['holidays'] | undefined) ?? initial.holidays;
  const today = company.data?.businessDate ?? iso(dayjs());
  const [year, setYear] = useState<number | null>(null);
  const saving = usePolicySave(form, policy, onSaved, (version) => {
    const v = form.getFieldsValue(true) as Typed;
    const body = { code: v.code, name: v.name || v.code, reason: v.reason, holidays: asHolidays(v.holidays) };
    return answer(version ? changeCalendar({ ...version, body }) : addCalendar({ body }));
  });
  const read = async (file: Blob) => {
    const text = await file.text();
    const from = `${today.slice(0, 4)}-01-01`;
    const to = `${Number(today.slice(0, 4)) + 5}-12-31`;
    const found = await reading.send(() => answer(readHolidayFile({ body: { text, from, to } })));
    if (!found) return;
    const known = new Set(asHolidays(form.getFieldValue('holidays') as Typed['holidays']).map((h) => h.date));
    const added = found
      .filter((h) => !known.has(h.date ?? ''))
      .map((h) => ({ date: dayjs(h.date), name: h.name ?? '' }));
    const all = [...((form.getFieldValue('holidays') as Typed['holidays']) ?? []), ...added];
    form.setFieldValue(
      'holidays',
      all.sort((a, b) => iso(a.date ?? null).localeCompare(iso(b.date ?? null))),
    );
  };
  return (
    <>
      <PolicyForm
        form={form}
        policy={policy}
        initial={initial}
        what="calendar"
        kind="calendars"
        saving={{ ...saving, problem: saving.problem ?? reading.problem }}
        note={
          policy?.inUse
            ? 'The company uses this calendar. Documents keep the version they were made under.'
            : 'The company’s settings name the calendar that is used.'
        }
      >
        <Form.List name="holidays">
          {(rows, { add, remove }) => (
            <>
              {rows.map((row) => (
                <div key={row.key} className="holiday-row">
                  <Form.Item name={[row.name, 'date']} style={{ marginBottom: 4 }}>
                    <DayInput
                      live
                      aria-label={`Holiday ${row.name + 1}: date`}
                      format="ddd D MMM YYYY"
                      style={{ width: '100%' }}
                    />
                  </Form.Item>
                  <Form.Item name={[row.name, 'name']} style={{ marginBottom: 4 }}>
                    <Input aria-label={`Holiday ${row.name + 1}: name`} />
                  </Form.Item>
                  <Button type="text" aria-label={`Remove holiday ${row.name + 1}`} onClick={() => remove(row.name)}>
                    ×
                  </Button>
                </div>
              ))}
              <div style={{ display: 'flex', gap: 8, margin: '6px 0 12px' }}>
                <Button onClick={() => add({ date: null, name: '' })}>Add a holiday</Button>
                <FilePick label="iCalendar file" accept=".ics,text/calendar" onPick={(file) => void read(file)}>
                  Read an iCalendar file
                </FilePick>
              </div>
            </>
          )}
        </Form.List>
      </PolicyForm>
      <HolidayYear year={year ?? Number(today.slice(0, 4))} onYear={setYear} holidays={asHolidays(holidays)} />
    </>
  );
}
