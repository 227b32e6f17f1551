import { useQuery } from '@tanstack/react-query';
import { Alert, App, AutoComplete, Button, Form, Input, Modal, Select } from 'antd';
import { useState } from 'react';
import {
  changeMany,
  listChangeableFields,
  listChangesOfMany,
  undoChangeOfMany,
  type ChangeManyRequest,
  type ChangeManyView,
} from '../../api/generated';
import { answer, asProblem } from '../../api/problem';
import { useCompany, useLateChargePolicies, useReminderPlans, useTaxCodes, useTermsPolicies } from '../../api/queries';
import { ProblemNote } from './ProblemNote';
import { useSend } from './useSend';

interface Start {
  field: string;
  value: string;
  onlyWith?: string;
}

/** One thing changed on many accounts: which they are and what changes on each is shown before it is stored. */
export function ChangeMany({
  filter = '',
  q = '',
  view,
  start,
  onClose,
}: {
  filter?: string;
  q?: string;
  view?: string;
  start?: Start;
  onClose: () => void;
}) {
  const [form] = Form.useForm();
  const { send, busy, problem } = useSend(form);
  const { message } = App.useApp();
  const fields = useQuery({ queryKey: ['changeable-fields'], queryFn: () => answer(listChangeableFields()) });
  const made = useQuery({ queryKey: ['changes-of-many'], queryFn: () => answer(listChangesOfMany()) });
  const [onlyWith, setOnlyWith] = useState(start?.onlyWith);
  const values = Form.useWatch([], form) as { field?: string; value?: string; reason?: string } | undefined;
  const field = values?.field ?? start?.field;
  const value = values?.value ?? start?.value ?? '';
  const choices = useValues(field);
  const request: ChangeManyRequest = { field, value, filter, q, view, onlyWith, reason: values?.reason ?? '' };
  const preview = useQuery({
    queryKey: ['change-many', field, value, filter, q, view, onlyWith],
    queryFn: () => answer(changeMany({ query: { preview: true }, body: { ...request, reason: 'preview' } })),
    enabled: !!field,
    retry: false,
    placeholderData: (d) => d,
  });
  const wrong = preview.error ? asProblem(preview.error) : null;
  const shown = wrong ? undefined : preview.data;
  const store = async () => {
    const done = await send(() => answer(changeMany({ body: request })));
    if (!done) return;
    void message.success(`${done.field} is changed on ${done.changed.length} accounts. It can be undone below.`);
  };
  const undo = async (id: number) => {
    const done = await send(() => answer(undoChangeOfMany({ path: { id } })));
    if (!done) return;
    const left = done.left.length > 0 ? ` ${done.left.length} were changed since and stay as they are.` : '';
    void message.success(`${done.changed.length} accounts have their former value again.${left}`);
  };
  const scope = q || filter || view ? 'the accounts that the board shows' : 'all accounts';
  return (
    <Modal title="Change many accounts at once" open onCancel={onClose} footer={null} width={860} style={{ top: 30 }}>
      <ProblemNote problem={problem} />
      <p className="muted" style={{ marginTop: 0 }}>
        Of {scope}
        {onlyWith !== undefined && (
          <>
            , those that have {onlyWith || 'none'} now{' '}
            <button type="button" className="linkish" onClick={() => setOnlyWith(undefined)}>
              whatever they have
            </button>
          </>
        )}
        .
      </p>
      <Form
        form={form}
        layout="vertical"
        onFinish={() => void store()}
        initialValues={{ field: start?.field, value: start?.value ?? '', reason: '' }}
      >
        <div className="ties">
          <Form.Item name="field" label="Change">
            <Select
              showSearch={{ optionFilterProp: 'label' }}
              options={(fields.data ?? []).map((f) => ({ value: f.code, label: f.name }))}
              onChange={() => form.setFieldValue('value', '')}
            />
          </Form.Item>
          <Form.Item
            name="value"
            label="to"
            validateStatus={wrong?.errors.value ? 'error' : undefined}
            help={wrong?.errors.value?.[0] ?? wrong?.errors.terms?.[0]}
          >
            <AutoComplete options={choices} placeholder="none" />
          </Form.Item>
        </div>
        {wrong && !wrong.errors.value && !wrong.errors.terms && (
          <Alert type="error" showIcon title={wrong.detail} style={{ marginBottom: 10 }} />
        )}
        {shown && <Effect change={shown} />}
        <Form.Item name="reason" label="Reason" style={{ marginTop: 10 }}>
          <Input autoComplete="off" />
        </Form.Item>
        <Button type="primary" htmlType="submit" loading={busy} disabled={!shown || shown.changed.length === 0}>
          {shown && shown.changed.length > 0 ? `Change ${shown.changed.length} accounts` : 'Change them'}
        </Button>
      </Form>
      {made.data && made.data.length > 0 && (
        <section style={{ marginTop: 16 }}>
          <h3>Made before</h3>
          <table className="grid" aria-label="Changes of many accounts">
            <tbody>
              {made.data.slice(0, 6).map((b) => (
                <tr key={b.id}>
                  <td className="nowrap small">{b.madeAt.slice(0, 16).replace('T', ' ')}</td>
                  <td>
                    {b.field} to {b.value || 'none'} on {b.accounts} accounts
                  </td>
                  <td className="muted small">{b.reason}</td>
                  <td className="figure">
                    {b.undoneBy ? (
                      <span className="muted small">undone</span>
                    ) : (
                      <Button size="small" onClick={() => void undo(b.id)}>
                        Undo
                      </Button>
                    )}
                  </td>
                </tr>
              ))}
            </tbody>
          </table>
        </section>
      )}
    </Modal>
  );
}

function Effect({ change }: { change: ChangeManyView }) {
  return (
    <>
      <p style={{ margin: '0 0 6px' }}>
        <b>{change.changed.length}</b> accounts change
        {change.unchanged > 0 ? `, ${change.unchanged} have it already` : ''}.
      </p>
      <div
        className="card"
        style={{ maxHeight: 240, overflow: 'auto' }}
        role="region"
        aria-label="Accounts that change"
        tabIndex={0}
      >
        <table className="grid" aria-label="What changes">
          <tbody>
            {change.changed.slice(0, 500).map((line) => (
              <tr key={line.code}>
                <td className="strong nowrap">{line.code}</td>
                <td>{line.name}</td>
                <td className="muted">{line.before || 'none'}</td>
                <td>→ {line.after || 'none'}</td>
              </tr>
            ))}
          </tbody>
        </table>
      </div>
    </>
  );
}

/** What a field can be changed to, where that is a choice. */
function useValues(field: string | undefined) {
  const terms = useTermsPolicies();
  const policies = useLateChargePolicies();
  const plans = useReminderPlans();
  const taxes = useTaxCodes();
  const company = useCompany();
  const codes = (list: { code?: string | null; name?: string | null }[] | undefined) =>
    (list ?? []).map((p) => ({ value: p.code ?? '', label: p.code === p.name ? p.code : `${p.code}: ${p.name}` }));
  const plain = (list: string[]) => list.map((value) => ({ value, label: value }));
  if (field?.startsWith('responses.')) return plain(['tell', 'ask', 'refuse']);
  if (field?.startsWith('fields.'))
    return plain(company.data?.customerFields.find((f) => `fields.${f.key}` === field)?.choices ?? []);
  switch (field) {
    case 'terms':
      return codes(terms.data);
    case 'lateChargePolicy':
      return codes(policies.data);
    case 'reminderPlan':
      return codes(plans.data);
    case 'taxCode':
      return codes(taxes.data);
    case 'paymentMethod':
      return codes(company.data?.paymentMethods);
    case 'controlGroup':
      return codes(company.data?.controlGroups);
    case 'delivery':
      return plain(['print', 'email']);
    default:
      return [];
  }
}
