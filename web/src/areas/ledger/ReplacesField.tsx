import { Form, Select } from 'antd';
import type { PromiseView } from '../../api/generated';
import { day } from '../../format/dates';
import { money } from '../../format/money';

/** The promises of an account that are still to be kept. */
export const openPromises = (promises: PromiseView[]) => promises.filter((p) => p.state === 'waiting');

/** Which open promises a new one takes the place of; they then count as neither kept nor broken. */
export function ReplacesField({ promises, disabled }: { promises: PromiseView[]; disabled?: boolean }) {
  const open = openPromises(promises);
  if (open.length === 0) return null;
  return (
    <Form.Item name="replaces" label="Replaces" style={{ gridColumn: '1 / -1' }}>
      <Select
        mode="multiple"
        disabled={disabled}
        placeholder="no earlier promise"
        options={open.map((p) => ({ value: p.id, label: `${money(p.amount)} by ${day(p.dueOn)}` }))}
      />
    </Form.Item>
  );
}
