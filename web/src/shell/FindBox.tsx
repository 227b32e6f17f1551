import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { Input, Modal } from 'antd';
import { useId, useState, type KeyboardEvent } from 'react';
import { useNavigate } from 'react-router-dom';
import { findOptions } from '../api/generated/@tanstack/react-query.gen';
import { usePaused } from '../form/usePaused';

interface Entry {
  title: string;
  note: string;
  to: string;
}

const deeds: Entry[] = [
  { title: 'What needs a decision today', note: 'area', to: '/today' },
  { title: 'Check an order', note: 'action', to: '/orders?new=1' },
  { title: 'Held orders', note: 'area', to: '/orders' },
  {
    title: 'Accounts that will pass their limit',
    note: 'view',
    to: '/accounts?filter=will-pass&sort=passesOn&cols=exposure,limit,headroom,passesOn',
  },
  { title: 'Lapsed reviews', note: 'view', to: '/today?kind=reviewLapsed' },
  { title: 'Groups', note: 'view', to: '/accounts?by=group' },
  { title: 'Exchange rates', note: 'policies', to: '/policies/exchange-rates' },
  { title: 'Open a new account', note: 'action', to: '/accounts?new=1' },
  { title: 'Accounts over their limit', note: 'view', to: '/accounts?filter=over-limit&sort=headroom' },
  { title: 'Accounts overdue by more than 30 days', note: 'view', to: '/accounts?filter=overdue-30&sort=-overdue' },
  { title: 'Stopped accounts', note: 'view', to: '/accounts?filter=stop' },
  { title: 'Receipts', note: 'area', to: '/cash' },
  { title: 'Outbox: what goes out to customers', note: 'area', to: '/outbox' },
  { title: 'Messages that were not sent', note: 'view', to: '/outbox?show=failed' },
  { title: 'Print letters', note: 'view', to: '/outbox?show=print' },
  { title: 'Terms', note: 'policies', to: '/policies/terms' },
  { title: 'Late-charge policies', note: 'policies', to: '/policies/late-charges' },
  { title: 'Reminder plans', note: 'policies', to: '/policies/reminders' },
  { title: 'Tax codes', note: 'policies', to: '/policies/tax-codes' },
  { title: 'Reference rates', note: 'policies', to: '/policies/reference-rates' },
  { title: 'Holiday calendars', note: 'policies', to: '/policies/calendars' },
  { title: 'Change many accounts at once', note: 'action', to: '/accounts?do=many' },
  { title: 'Import customers from a file', note: 'action', to: '/accounts?do=in' },
  { title: 'Read electronic invoices', note: 'action', to: '/accounts?do=invoices' },
  { title: 'Users and keys', note: 'policies', to: '/policies/users' },
  { title: 'Company settings', note: 'policies', to: '/policies/company' },
];

const noteOf = (f: { kind: string; account: string; accountName: string; detail: string }) =>
  [f.kind === 'account' ? `account ${f.account}` : `document of ${f.accountName}`, f.detail]
    .filter(Boolean)
    .join(' · ');

/** Finds accounts and documents by a part of any detail, and does what has a name. */
export function FindBox({ onClose }: { onClose: () => void }) {
  const [text, setText] = useState('');
  const [at, setAt] = useState(0);
  const go = useNavigate();
  const list = useId();
  const wanted = text.trim().toLowerCase();
  // Whoever types is not asked for at each letter.
  const asked = usePaused(wanted);
  const { data, isError, isFetching } = useQuery({
    ...findOptions({ query: { q: asked } }),
    enabled: asked.length > 0,
    placeholderData: keepPreviousData,
  });
  const waits = wanted !== asked || isFetching;
  const entries: Entry[] = [
    ...(wanted && data ? data : []).map((f) => ({
      title: f.title,
      note: noteOf(f),
      to: `/accounts/${encodeURIComponent(f.account)}${f.kind === 'document' ? `?item=${encodeURIComponent(f.title)}` : ''}`,
    })),
    ...deeds.filter((d) => d.title.toLowerCase().includes(wanted)),
  ];
  const chosen = Math.min(at, entries.length - 1);
  const open = (entry: Entry | undefined) => {
    if (!entry) return;
    onClose();
    void go(entry.to);
  };
  const onKey = (event: KeyboardEvent) => {
    if (event.key === 'ArrowDown') setAt(Math.min(chosen + 1, entries.length - 1));
    else if (event.key === 'ArrowUp') setAt(Math.max(chosen - 1, 0));
    else if (event.key === 'Enter') open(entries[chosen]);
    else return;
    event.preventDefault();
  };
  return (
    <Modal
      open
      onCancel={onClose}
      footer={null}
      closable={false}
      width={560}
      style={{ top: 60 }}
      title={<span className="small muted">Find or do</span>}
    >
      <Input
        autoFocus
        role="combobox"
        aria-label="Find an account, a document or an action"
        aria-expanded={entries.length > 0}
        aria-controls={list}
        aria-autocomplete="list"
        aria-activedescendant={chosen >= 0 ? `${list}-${chosen}` : undefined}
        placeholder="Name, code, number, telephone, e-mail, place, or what you want to do"
        value={text}
        onChange={(e) => {
          setText(e.target.value);
          setAt(0);
        }}
        onKeyDown={onKey}
      />
      <div id={list} role="listbox" aria-label="Found" className="found">
        {entries.map((entry, i) => (
          <div
            key={entry.to + entry.title + entry.note}
            id={`${list}-${i}`}
            role="option"
            aria-selected={i === chosen}
            className={i === chosen ? 'on' : ''}
            onClick={() => open(entry)}
          >
            <span className="strong">{entry.title}</span>
            <span className="muted">{entry.note}</span>
          </div>
        ))}
      </div>
      <p className="muted small" role="status" style={{ margin: '6px 0 0' }}>
        {isError
          ? 'The books cannot be searched at the moment; try again.'
          : waits
            ? 'Searching …'
            : entries.length === 0
              ? `Nothing holds “${text}”. Try part of a name, a code, a telephone number or a document number.`
              : ' '}
      </p>
    </Modal>
  );
}
