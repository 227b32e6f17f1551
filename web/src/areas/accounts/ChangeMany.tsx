import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { Alert, App, Form } from 'antd';
import { useState } from 'react';
import { ofAccounts } from '../../api/changes';
import { changeMany, type ChangeManyRequest } from '../../api/generated';
import { listChangeableFieldsOptions } from '../../api/generated/@tanstack/react-query.gen';
import { answer, asProblem } from '../../api/problem';
import { DialogForm } from '../../form/DialogForm';
import { ChoiceField, SuggestField, TextField } from '../../form/fields';
import { usePaused } from '../../form/usePaused';
import { useSend } from '../../form/useSend';
import { ChangedAccounts } from './ChangedAccounts';
import { FormerChanges } from './FormerChanges';
import { useFieldValues } from './useFieldValues';

interface Typed {
  field?: string;
  value: string;
  reason: string;
}

/** One thing changed on many accounts: which they are and what changes on each is shown before it is stored. */
export function ChangeMany({
  filter = '',
  q = '',
  view,
  within,
  start,
  onClose,
}: {
  filter?: string;
  q?: string;
  view?: string;
  /** Of these only the accounts of a kind, such as an owner's. */
  within?: string;
  start?: { field: string; value: string; onlyWith?: string };
  onClose: () => void;
}) {
  const [form] = Form.useForm<Typed>();
  const sending = useSend(form, ofAccounts);
  const { message } = App.useApp();
  const fields = useQuery(listChangeableFieldsOptions());
  const [onlyWith, setOnlyWith] = useState(start?.onlyWith);
  const initial: Typed = { field: start?.field, value: start?.value ?? '', reason: '' };
  const { field, value, reason } = { ...initial, ...(Form.useWatch([], form) as Typed | undefined) };
  const values = useFieldValues(field);
  const request: ChangeManyRequest = { field, value, filter, q, view, within, onlyWith, reason };
  const asked = usePaused(JSON.stringify({ ...request, reason: 'preview' }));
  const preview = useQuery({
    queryKey: ['change-many', asked],
    queryFn: () => answer(changeMany({ query: { preview: true }, body: JSON.parse(asked) as ChangeManyRequest })),
    enabled: !!field,
    retry: false,
    placeholderData: keepPreviousData,
  });
  const wrong = preview.error ? asProblem(preview.error) : null;
  const ofValue = wrong?.errors.value ?? wrong?.errors.terms;
  const valueWrong = wrong && ofValue ? { ...wrong, errors: { value: ofValue } } : null;
  const shown = wrong ? undefined : preview.data;
  const count = shown?.changed.length ?? 0;
  const store = async () => {
    const done = await sending.send(() => answer(changeMany({ body: request })));
    if (!done) return;
    void message.success(`${done.field} is changed on ${done.changed.length} accounts. It can be undone below.`);
    await preview.refetch();
  };
  return (
    <DialogForm
      title="Change many accounts at once"
      width={860}
      high
      form={form}
      initial={initial}
      action={count > 0 ? `Change ${count} accounts` : 'Change them'}
      disabled={count === 0}
      beside=""
      sending={sending}
      onValuesChange={(change) => 'field' in change && form.setFieldValue('value', '')}
      onSend={() => void store()}
      onClose={onClose}
      above={
        <p className="muted" style={{ marginTop: 0 }}>
          Of{' '}
          {within
            ? 'the accounts that were looked at'
            : q || filter || view
              ? 'the accounts that the board shows'
              : 'all accounts'}
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
      }
    >
      <div className="ties">
        <ChoiceField
          name="field"
          label="Change"
          search
          options={(fields.data ?? []).map((f) => ({ value: f.code, label: f.name }))}
        />
        <SuggestField name="value" label="to" placeholder="none" wrong={valueWrong} options={values} />
      </div>
      {wrong && !valueWrong && <Alert type="error" showIcon title={wrong.detail} style={{ marginBottom: 10 }} />}
      {shown && <ChangedAccounts change={shown} />}
      <TextField name="reason" label="Reason" />
      <FormerChanges sending={sending} />
    </DialogForm>
  );
}
