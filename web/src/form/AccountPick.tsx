import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { AutoComplete } from 'antd';
import { useState } from 'react';
import { listAccountsOptions } from '../api/generated/@tanstack/react-query.gen';
import { usePaused } from './usePaused';

/** Finds an account by its name or code, among those in one currency. */
export function AccountPick({
  currency,
  focus,
  onPick,
  onClear,
}: {
  currency: string;
  /** Whether it was asked for, and not only shown because nobody is recognised. */
  focus: boolean;
  onPick: (code: string) => void;
  /** Where it may be left empty. */
  onClear?: () => void;
}) {
  const [text, setText] = useState('');
  const q = usePaused(text);
  const found = useQuery({
    ...listAccountsOptions({ query: { q, pageSize: 12 } }),
    enabled: q.length > 0,
    placeholderData: keepPreviousData,
  });
  const options = (found.data?.items ?? [])
    .filter((a) => a.currency === currency)
    .map((a) => ({ value: a.code, label: `${a.code} · ${a.name}` }));
  return (
    <AutoComplete
      autoFocus={focus}
      defaultActiveFirstOption
      aria-label="Account"
      placeholder={`Name or code of an account in ${currency}`}
      style={{ width: '100%' }}
      options={options}
      onSearch={setText}
      onSelect={onPick}
      allowClear={onClear !== undefined}
      onClear={onClear}
    />
  );
}
