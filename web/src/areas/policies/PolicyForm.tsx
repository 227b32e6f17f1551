import { Button, Form, type FormInstance } from 'antd';
import type { ReactNode } from 'react';
import type { Problem } from '../../api/problem';
import { TextField } from '../../form/fields';
import { ProblemNote } from '../../form/ProblemNote';
import { useUnsaved } from '../../form/unsaved';
import { useMay } from '../../shell/session';
import type { Entry } from './PolicyList';
import { PolicyRecord } from './PolicyRecord';

/** What the forms of all kinds of policy have in common: code and name above, reason, saving and history below. */
export function PolicyForm({
  form,
  policy,
  initial,
  what,
  kind,
  saving,
  typed = false,
  onSave = () => void saving.save(),
  codeHint,
  above,
  beside,
  note,
  children,
}: {
  form: FormInstance;
  policy?: Entry;
  initial: object;
  /** In the singular, such as "late-charge policy". */
  what: string;
  kind: string;
  saving: { save: () => Promise<void>; busy: boolean; problem: Problem | null };
  /** Whether something was typed that is no field of the form. */
  typed?: boolean;
  onSave?: () => void;
  codeHint?: string;
  /** Fields before code and name. */
  above?: ReactNode;
  /** Fields in the same grid as code and name. */
  beside?: ReactNode;
  /** A remark below the button. */
  note?: ReactNode;
  children?: ReactNode;
}) {
  const may = useMay();
  // Who may not store it only tries it out.
  useUnsaved(() => may('manager') && (typed || form.isFieldsTouched()));
  return (
    <section className="card pad">
      <h2 style={{ marginBottom: 8 }}>{policy ? policy.code : `New ${what}`}</h2>
      <ProblemNote problem={saving.problem} />
      <Form form={form} layout="vertical" onFinish={onSave} initialValues={initial}>
        {above}
        <div className="ties" style={above ? { marginTop: 14 } : undefined}>
          {!policy && <TextField name="code" label="Code" placeholder={codeHint} />}
          <TextField name="name" label="Name" />
          {beside}
        </div>
        {children}
        {policy && may('manager') && <TextField name="reason" label="Reason for the change" />}
        {may('manager') ? (
          <Button type="primary" htmlType="submit" loading={saving.busy}>
            {policy ? `Save as version ${policy.version + 1}` : `Add the ${what}`}
          </Button>
        ) : (
          <p className="muted small">Managers decide policies; you can try them out here.</p>
        )}
        {note && <p className="muted small">{note}</p>}
      </Form>
      {policy && <PolicyRecord kind={kind} policy={policy} />}
    </section>
  );
}
