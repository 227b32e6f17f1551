import { InputNumber, Select } from 'antd';
import type { DueShape } from '../../api/generated';
import { choices } from '../../form/options';
import { anchors } from './termsForm';

/** How a date is found from the invoice: an anchor, months and days. */
export function RuleEditor({
  label,
  rule,
  onChange,
}: {
  label: string;
  rule: DueShape;
  onChange: (rule: DueShape) => void;
}) {
  const fixed = rule.anchor === 'dayOfNextMonth';
  const number = (name: 'day' | 'cutOff' | 'months' | 'days', text: string, least: number, most: number) => (
    <label className="small muted">
      {text}
      <InputNumber
        aria-label={`${label}: ${text}`}
        size="small"
        min={least}
        max={most}
        value={rule[name] ?? null}
        onChange={(value) => onChange({ ...rule, [name]: value ?? (name === 'cutOff' ? null : least) })}
        style={{ width: 62, marginLeft: 4 }}
      />
    </label>
  );
  return (
    <span className="rule">
      <Select
        aria-label={`${label}: counted`}
        size="small"
        value={rule.anchor ?? 'invoiceDate'}
        options={choices(anchors)}
        onChange={(anchor) =>
          onChange({ ...rule, anchor, day: anchor === 'dayOfNextMonth' ? (rule.day ?? 15) : null, cutOff: null })
        }
        style={{ width: 178 }}
      />
      {fixed && number('day', 'day', 1, 31)}
      {fixed && number('cutOff', 'cut-off', 1, 31)}
      {number('months', 'months', 0, 120)}
      {number('days', 'days', 0, 3650)}
    </span>
  );
}
