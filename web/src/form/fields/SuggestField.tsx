import { AutoComplete, Form } from 'antd';
import { useState } from 'react';
import { told, type Common } from './common';

/** A line of text beside which known values are offered; others may be typed too. */
export function SuggestField({
  name,
  label,
  extra,
  wrong,
  options,
  placeholder,
  onSearch,
  only,
}: Common & {
  options: { value: string; label?: string }[];
  /** With each key, where the values offered are looked up. */
  onSearch?: (text: string) => void;
  /** Whether it is one of those that are offered: Enter takes the only one. */
  only?: boolean;
}) {
  // Values that arrive after the field was left would open the list over the next fields.
  const [here, setHere] = useState(false);
  const [open, setOpen] = useState(false);
  return (
    <Form.Item name={name} label={label} extra={extra} {...told(name, wrong)}>
      <AutoComplete
        options={options}
        placeholder={placeholder}
        // A list narrows while one types; what is typed stays unless one goes down to a suggestion.
        showSearch={onSearch ? { onSearch } : { filterOption: narrows }}
        defaultActiveFirstOption={only === true && options.length === 1}
        open={here && open}
        onOpenChange={setOpen}
        onFocus={() => setHere(true)}
        onBlur={() => {
          setHere(false);
          setOpen(false);
        }}
      />
    </Form.Item>
  );
}

const narrows = (typed: string, option?: { value: string; label?: string }) =>
  `${option?.value} ${option?.label ?? ''}`.toLowerCase().includes(typed.trim().toLowerCase());
