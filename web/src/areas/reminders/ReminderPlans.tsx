import { useQuery } from '@tanstack/react-query';
import { Button, Form, InputNumber, Segmented } from 'antd';
import { useState } from 'react';
import {
  addReminderPlan,
  changeReminderPlan,
  type ReminderPlanRequest,
  type ReminderPlanView,
} from '../../api/generated';
import { listLetterFieldsOptions } from '../../api/generated/@tanstack/react-query.gen';
import { answer } from '../../api/problem';
import { useReminderPlans } from '../../api/queries';
import { CheckField } from '../../form/fields';
import { PolicyForm, PolicyPage, usePolicySave } from '../policies';
import { LetterTryOut } from './LetterTryOut';
import { asRequest, asTyped, newLevel } from './reminderForm';
import { ReminderLevelForm } from './ReminderLevelForm';

const mostLevels = 9;

export function ReminderPlans() {
  const query = useReminderPlans();
  return (
    <PolicyPage query={query} kind="reminder-plans" what="plan" many="plans">
      {(plan, onSaved) => <PlanForm plan={plan} onSaved={onSaved} />}
    </PolicyPage>
  );
}

function PlanForm({ plan, onSaved }: { plan?: ReminderPlanView; onSaved: (code: string) => void }) {
  const [form] = Form.useForm<ReminderPlanRequest>();
  const [at, setAt] = useState(0);
  const [language, setLanguage] = useState('');
  const fields = useQuery({ ...listLetterFieldsOptions(), staleTime: Infinity });
  const initial = asTyped(plan);
  const values = (Form.useWatch([], { form, preserve: true }) as ReminderPlanRequest | undefined) ?? initial;
  const levels = values.levels ?? [];
  const shown = Math.min(at, Math.max(0, levels.length - 1));
  const saving = usePolicySave(form, plan, onSaved, (version) => {
    const body = asRequest(form.getFieldsValue(true) as ReminderPlanRequest);
    return answer(version ? changeReminderPlan({ ...version, body }) : addReminderPlan({ body }));
  });
  return (
    <>
      <PolicyForm
        form={form}
        policy={plan}
        initial={initial}
        what="reminder plan"
        kind="reminder-plans"
        saving={saving}
        beside={
          <Form.Item name="mostReminders" label="Maximum reminders per item">
            <InputNumber min={1} max={99} placeholder="one a level" style={{ width: '100%' }} />
          </Form.Item>
        }
      >
        <CheckField name="allowJumps" tight>
          An item may go straight to the highest level its days allow
        </CheckField>
        <CheckField name="letterPerLevel">Each level gets a letter of its own</CheckField>
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
                    disabled={list.length >= mostLevels}
                    onClick={() => {
                      add({
                        ...newLevel,
                        daysAfterDue: (levels[levels.length - 1]?.daysAfterDue ?? 0) + 14,
                        daysSincePrevious: 10,
                      });
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
                  <ReminderLevelForm
                    key={field.key}
                    at={field.name}
                    level={levels[field.name] ?? newLevel}
                    language={language}
                    onLanguage={setLanguage}
                  />
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
      </PolicyForm>
      <LetterTryOut
        plan={asRequest({
          ...values,
          levels: (form.getFieldValue('levels') as ReminderPlanRequest['levels'] | undefined) ?? levels,
        })}
        level={shown + 1}
        language={language}
      />
    </>
  );
}
