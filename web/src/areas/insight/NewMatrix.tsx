import { Button, Form, type FormInstance } from 'antd';
import dayjs, { type Dayjs } from 'dayjs';
import { ofPolicies } from '../../api/changes';
import { addProvisionMatrix, type MatrixView } from '../../api/generated';
import { answer } from '../../api/problem';
import { Dialog } from '../../form/Dialog';
import { AmountField, DayField, TextField } from '../../form/fields';
import { ProblemNote } from '../../form/ProblemNote';
import { useSend } from '../../form/useSend';
import { iso } from '../../format/dates';
import { agesOf, namesOf } from './matrixAges';

interface Typed {
  from: Dayjs;
  upTo: string;
  rates: string[];
  reason: string;
}

/** Other rates from a day on; what holds on earlier days stays. */
export function NewMatrix({
  last,
  today,
  onClose,
}: {
  last: MatrixView | undefined;
  today: string;
  onClose: () => void;
}) {
  const [form] = Form.useForm<Typed>();
  const { send, busy, problem } = useSend(form, ofPolicies);
  const add = async ({ from, upTo, rates, reason }: Typed) => {
    const body = {
      from: iso(from),
      upTo: agesOf(upTo),
      rates: rates.slice(0, agesOf(upTo).length + 2).map((r) => r.trim()),
      reason,
    };
    if (await send(() => answer(addProvisionMatrix({ body })))) onClose();
  };
  return (
    <Dialog title="New rates" width={560} typed={() => form.isFieldsTouched()} onClose={onClose}>
      <Form
        form={form}
        layout="vertical"
        initialValues={{
          from: dayjs(today),
          upTo: (last?.upTo ?? [30, 60, 90]).join(', '),
          rates: last?.rates.map(String) ?? [],
          reason: '',
        }}
        onFinish={(v) => void add(v)}
      >
        <ProblemNote problem={problem} />
        <div className="two">
          <DayField name="from" label="From" />
          <TextField name="upTo" label="Ages end after days overdue" placeholder="30, 60, 90" />
        </div>
        <Rates form={form} />
        <TextField name="reason" label="Reason" />
        <Button type="primary" htmlType="submit" loading={busy}>
          Let them hold
        </Button>
      </Form>
    </Dialog>
  );
}

/** One rate for each age as they are typed. */
function Rates({ form }: { form: FormInstance<Typed> }) {
  const upTo = Form.useWatch('upTo', form);
  return (
    <div className="rates-by-age">
      {namesOf(agesOf(upTo ?? '')).map((age, i) => (
        <AmountField key={i} name={['rates', i]} label={`${age}, %`} />
      ))}
    </div>
  );
}
