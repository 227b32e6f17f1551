import { useQuery } from '@tanstack/react-query';
import { Alert, App, Button, Checkbox, Form, Input, InputNumber, Select, Segmented } from 'antd';
import { useEffect, useState } from 'react';
import {
  addReminderPlan,
  changeReminderPlan,
  listLetterFields,
  tryOutReminder,
  type ReminderLevelShape,
  type ReminderPlanRequest,
  type ReminderPlanView,
} from '../../api/generated';
import { answer, asProblem, type Problem } from '../../api/problem';
import { useReminderPlans } from '../../api/queries';
import { ProblemNote } from '../accounts/ProblemNote';
import { useSend } from '../accounts/useSend';
import { PolicyList } from './PolicyList';

const newLevel: ReminderLevelShape = {
  daysAfterDue: 7,
  daysSincePrevious: 0,
  daysToPay: 7,
  leastOverdue: '10.00',
  fee: '0.00',
  feeTreatment: 'none',
  showLateCharge: false,
  setsState: '',
  subject: 'A reminder of what is due',
  opening: 'Dear Sir or Madam,\nour books show the following as due and not yet paid.',
  closing: '{{ company }}, Credit control',
};

export function ReminderPlans() {
  const { data } = useReminderPlans();
  const [chosen, setChosen] = useState<string | null | undefined>(undefined);
  if (!data) return null;
  const current = chosen === undefined ? (data[0]?.code ?? null) : chosen;
  const plan = data.find((p) => p.code === current);
  return (
    <div className="policies">
      <PolicyList entries={data} current={current} onChoose={setChosen} what="plan" />
      <PlanForm key={`${plan?.code} ${plan?.version}`} plan={plan} onSaved={setChosen} />
    </div>
  );
}

function PlanForm({ plan, onSaved }: { plan?: ReminderPlanView; onSaved: (code: string) => void }) {
  const [form] = Form.useForm<ReminderPlanRequest>();
  const { send, busy, problem } = useSend(form);
  const { message } = App.useApp();
  const [at, setAt] = useState(0);
  const fields = useQuery({ queryKey: ['letter-fields'], queryFn: () => answer(listLetterFields()) });
  const initial: ReminderPlanRequest = {
    code: plan?.code ?? '',
    name: plan?.name ?? '',
    reason: '',
    levels: (plan?.levels ?? [newLevel]).map((l) => ({ ...l, setsState: l.setsState ?? '' })),
  };
  const values = (Form.useWatch([], { form, preserve: true }) as ReminderPlanRequest | undefined) ?? initial;
  const levels = values.levels ?? [];
  const shown = Math.min(at, Math.max(0, levels.length - 1));
  const save = async () => {
    const body = form.getFieldsValue(true) as ReminderPlanRequest;
    const saved = await send(() =>
      plan
        ? answer(changeReminderPlan({ path: { code: plan.code }, body, headers: { 'If-Match': `"${plan.version}"` } }))
        : answer(addReminderPlan({ body })),
    );
    if (!saved) return;
    void message.success(`Version ${saved.version} of ${saved.code} is stored.`);
    onSaved(saved.code);
  };
  return (
    <>
      <section className="card pad">
        <h2 style={{ marginBottom: 8 }}>{plan ? plan.code : 'New reminder plan'}</h2>
        <ProblemNote problem={problem} />
        <Form form={form} layout="vertical" onFinish={() => void save()} initialValues={initial}>
          {!plan && (
            <Form.Item name="code" label="Code">
              <Input autoComplete="off" />
            </Form.Item>
          )}
          <Form.Item name="name" label="Name">
            <Input autoComplete="off" />
          </Form.Item>
          <Form.List name="levels">
            {(list, { add, remove }) => (
              <>
                <div className="row-between" style={{ marginBottom: 10 }}>
                  <Segmented
                    value={shown}
                    onChange={setAt}
                    options={list.map((_, i) => ({ value: i, label: `Level ${i + 1}` }))}
                    aria-label="Level"
                  />
                  <span>
                    <Button
                      size="small"
                      disabled={list.length >= 9}
                      onClick={() => {
                        add({ ...newLevel, daysAfterDue: (levels[levels.length - 1]?.daysAfterDue ?? 0) + 14 });
                        setAt(list.length);
                      }}
                    >
                      Add a level
                    </Button>{' '}
                    <Button size="small" disabled={list.length < 2} onClick={() => remove(shown)}>
                      Remove this one
                    </Button>
                  </span>
                </div>
                {list
                  .filter((_, i) => i === shown)
                  .map((field) => (
                    <div key={field.key}>
                      <div className="ties">
                        <Form.Item name={[field.name, 'daysAfterDue']} label="Days after the due date">
                          <InputNumber min={1} style={{ width: '100%' }} />
                        </Form.Item>
                        <Form.Item name={[field.name, 'daysSincePrevious']} label="Least days since the level before">
                          <InputNumber min={0} style={{ width: '100%' }} />
                        </Form.Item>
                        <Form.Item name={[field.name, 'daysToPay']} label="Days to pay">
                          <InputNumber min={1} style={{ width: '100%' }} />
                        </Form.Item>
                        <Form.Item name={[field.name, 'leastOverdue']} label="Least overdue amount">
                          <Input className="figure" />
                        </Form.Item>
                        <Form.Item name={[field.name, 'fee']} label="Fee of the letter">
                          <Input className="figure" />
                        </Form.Item>
                        <Form.Item name={[field.name, 'feeTreatment']} label="The fee is">
                          <Select
                            options={[
                              { value: 'none', label: 'none' },
                              { value: 'post', label: 'posted' },
                              { value: 'show', label: 'shown only' },
                            ]}
                          />
                        </Form.Item>
                        <Form.Item name={[field.name, 'setsState']} label="Sets the account to">
                          <Select
                            options={[
                              { value: '', label: 'nothing' },
                              { value: 'watch', label: 'watch' },
                              { value: 'stop', label: 'stop' },
                            ]}
                          />
                        </Form.Item>
                        <Form.Item name={[field.name, 'showLateCharge']} valuePropName="checked" label="Late charge">
                          <Checkbox>is stated in the letter</Checkbox>
                        </Form.Item>
                      </div>
                      <Form.Item name={[field.name, 'subject']} label="Subject">
                        <Input />
                      </Form.Item>
                      <Form.Item name={[field.name, 'opening']} label="Text above the items">
                        <Input.TextArea rows={3} />
                      </Form.Item>
                      <Form.Item name={[field.name, 'closing']} label="Text below the items">
                        <Input.TextArea rows={3} />
                      </Form.Item>
                    </div>
                  ))}
              </>
            )}
          </Form.List>
          <p className="muted small">
            Fields for the texts:{' '}
            {fields.data?.map((f) => (
              <span key={f.name} title={f.meaning}>
                {`{{ ${f.name} }} `}
              </span>
            ))}
          </p>
          {plan && (
            <Form.Item name="reason" label="Reason for the change">
              <Input />
            </Form.Item>
          )}
          <Button type="primary" htmlType="submit" loading={busy}>
            {plan ? `Save as version ${plan.version + 1}` : 'Add the plan'}
          </Button>
        </Form>
      </section>
      <LetterTryOut
        plan={{ ...values, levels: (form.getFieldValue('levels') as ReminderLevelShape[] | undefined) ?? levels }}
        level={shown + 1}
      />
    </>
  );
}

/** The letter of a level as it would print, on a sample account. */
function LetterTryOut({ plan, level }: { plan: ReminderPlanRequest; level: number }) {
  const [url, setUrl] = useState<string | null>(null);
  const [problem, setProblem] = useState<Problem | null>(null);
  const body = JSON.stringify(plan);
  useEffect(() => {
    let made: string | null = null;
    let current = true;
    const timer = setTimeout(() => {
      tryOutReminder({ body: JSON.parse(body) as ReminderPlanRequest, query: { level }, parseAs: 'blob' }).then(
        ({ data, error }) => {
          if (!current) return;
          if (error || !data) {
            setProblem(asProblem(error));
            return;
          }
          made = URL.createObjectURL(data as unknown as Blob);
          setProblem(null);
          setUrl(made);
        },
        (e: unknown) => current && setProblem(asProblem(e)),
      );
    }, 350);
    return () => {
      current = false;
      clearTimeout(timer);
      if (made) URL.revokeObjectURL(made);
    };
  }, [body, level]);
  return (
    <section className="card pad" aria-label="Try-out">
      <h2 style={{ marginBottom: 8 }}>Try-out: the letter of level {level}</h2>
      {problem && <Alert type="error" showIcon title={problem.detail} />}
      {url && !problem && (
        <img alt={`Letter of level ${level}`} src={url} style={{ width: '100%', border: '1px solid var(--line)', background: '#fff' }} />
      )}
    </section>
  );
}
