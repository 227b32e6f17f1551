import { Button, Form, type FormInstance, type FormProps } from 'antd';
import { useId, type ReactNode } from 'react';
import type { Problem } from '../api/problem';
import { Dialog } from './Dialog';
import { ProblemNote } from './ProblemNote';

/** A dialog with one form and one button that sends it. */
export function DialogForm<T extends object>({
  title,
  width,
  high,
  form,
  initial,
  action,
  disabled,
  beside,
  sending,
  above,
  onValuesChange,
  onSend,
  onClose,
  children,
}: {
  title: ReactNode;
  width?: number;
  high?: boolean;
  form: FormInstance<T>;
  initial: T;
  /** What the button says. */
  action: ReactNode;
  disabled?: boolean;
  /** What stands at the left of the button. */
  beside?: ReactNode;
  sending: { busy: boolean; problem: Problem | null };
  /** What stands before the fields. */
  above?: ReactNode;
  onValuesChange?: FormProps<T>['onValuesChange'];
  onSend: (values: T) => void;
  onClose: () => void;
  children: ReactNode;
}) {
  // Fields of another form on the page may have the same names.
  const id = useId();
  const button = (
    <Button type="primary" htmlType="submit" loading={sending.busy} disabled={disabled}>
      {action}
    </Button>
  );
  return (
    <Dialog title={title} width={width} high={high} typed={() => form.isFieldsTouched()} onClose={onClose}>
      {above}
      <Form
        form={form}
        name={id}
        layout="vertical"
        initialValues={initial}
        onValuesChange={onValuesChange}
        // What is sent is what its effect was shown for.
        onFinish={() => !disabled && onSend(form.getFieldsValue(true) as T)}
      >
        <ProblemNote problem={sending.problem} />
        {children}
        {beside === undefined ? (
          button
        ) : (
          <div className="row-between" style={{ marginTop: 12 }}>
            <span className="muted small">{beside}</span>
            {button}
          </div>
        )}
      </Form>
    </Dialog>
  );
}
