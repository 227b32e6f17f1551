import { useQuery } from '@tanstack/react-query';
import { Modal } from 'antd';
import { useState, type KeyboardEvent } from 'react';
import { useNavigate } from 'react-router-dom';
import { find } from '../api/generated';
import { answer } from '../api/problem';
import { FocusedInput } from './FocusedInput';

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
  { title: 'Terms', note: 'policies', to: '/policies/terms' },
  { title: 'Late-charge policies', note: 'policies', to: '/policies/late-charges' },
  { title: 'Reminder plans', note: 'policies', to: '/policies/reminders' },
  { title: 'Tax codes', note: 'policies', to: '/policies/tax-codes' },
  { title: 'Reference rates', note: 'policies', to: '/policies/reference-rates' },
  { title: 'Holiday calendars', note: 'policies', to: '/policies/calendars' },
  { title: 'Change many accounts at once', note: 'action', to: '/accounts?do=many' },
  { title: 'Bring in customers from a file', note: 'action', to: '/accounts?do=in' },
  { title: 'Users and keys', note: 'policies', to: '/policies/users' },
  { title: 'Company settings', note: 'policies', to: '/policies/company' },
];

/** Finds accounts and documents, and does what has a name. */
export function FindBox({ onClose }: { onClose: () => void }) {
  const [text, setText] = useState('');
  const [at, setAt] = useState(0);
  const go = useNavigate();
  const wanted = text.trim().toLowerCase();
  const { data } = useQuery({
    queryKey: ['find', wanted],
    queryFn: () => answer(find({ query: { q: wanted } })),
    enabled: wanted.length > 0,
    placeholderData: (d) => d,
  });
  const entries: Entry[] = [
    ...(wanted && data ? data : []).map((f) => ({
      title: f.title,
      note: f.kind === 'account' ? `account ${f.account}` : `document of ${f.accountName}`,
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
      <FocusedInput
        aria-label="Find an account, a document or an action"
        placeholder="Account, document number, or what you want to do"
        value={text}
        onChange={(e) => {
          setText(e.target.value);
          setAt(0);
        }}
        onKeyDown={onKey}
      />
      <div style={{ marginTop: 8, maxHeight: 380, overflow: 'auto' }}>
        <table className="grid">
          <tbody>
            {entries.map((entry, i) => (
              <tr
                key={entry.to + entry.title}
                className={i === chosen ? 'on' : ''}
                onClick={() => open(entry)}
                style={{ cursor: 'pointer' }}
              >
                <td className="strong">{entry.title}</td>
                <td className="muted figure">{entry.note}</td>
              </tr>
            ))}
          </tbody>
        </table>
        {entries.length === 0 && (
          <p className="muted">Nothing holds “{text}”. Try part of a name, a code or a document number.</p>
        )}
      </div>
    </Modal>
  );
}
