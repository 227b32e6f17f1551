import { Tabs } from 'antd';
import { useEffect } from 'react';
import type { AccountPage } from '../../api/generated';
import { lazyView } from '../../shell/lazily';
import { isOver } from '../../words/orders';
import { History } from '../invoices';
import { Claims, ItemsTable } from '../ledger';
import { AccountOrders } from '../orders';
import { Reminders } from '../reminders';

const CustomerRecord = lazyView(() => import('./CustomerRecord').then((m) => m.CustomerRecord), 'the record');
const LedgerOrStatement = lazyView(() => import('./LedgerOrStatement').then((m) => m.LedgerOrStatement), 'the ledger');
const Holds = lazyView(() => import('./Holds').then((m) => m.Holds), 'collection');
const LimitOrOverview = lazyView(() => import('./LimitOrOverview').then((m) => m.LimitOrOverview), 'the limit');
const ContactLog = lazyView(() => import('./ContactLog').then((m) => m.ContactLog), 'the log');
const Attachments = lazyView(() => import('./Attachments').then((m) => m.Attachments), 'the files');
const AccountChanges = lazyView(() => import('./AccountChanges').then((m) => m.AccountChanges), 'the changes');

/** Everything of an account, part by part; a part is read when it is first looked at. */
export function AccountTabs({
  page,
  today,
  at,
  wanted,
  onFocus,
  onOpening,
}: {
  page: AccountPage;
  today: string;
  /** The item in hand. */
  at: number;
  /** The document that was looked for. */
  wanted: string | null;
  onFocus: (index: number) => void;
  onOpening: () => void;
}) {
  const code = page.account.code;
  useEffect(() => {
    if (wanted) document.getElementById(`item-${wanted}`)?.scrollIntoView({ block: 'center' });
  }, [wanted]);
  const open = page.orders.filter((o) => !isOver[o.state]).length;
  return (
    <div className="card" style={{ padding: '0 8px' }}>
      <Tabs
        size="small"
        items={[
          {
            key: 'items',
            label: `Open items ${page.items.length}`,
            children: <ItemsTable page={page} at={at} onFocus={onFocus} />,
          },
          {
            key: 'ledger',
            label: 'Ledger',
            children: <LedgerOrStatement code={code} today={today} onOpening={onOpening} />,
          },
          {
            key: 'documents',
            label: 'Documents',
            children: <History account={{ ...page.account, taxCode: page.account.invoiceTaxCode }} today={today} />,
          },
          {
            key: 'reminders',
            label: `Reminders ${page.reminders.length}`,
            children: (
              <>
                <Holds page={page} />
                <Reminders page={page} />
              </>
            ),
          },
          { key: 'limits', label: 'Limit', children: <LimitOrOverview page={page} /> },
          { key: 'orders', label: `Orders ${open}`, children: <AccountOrders page={page} /> },
          { key: 'claims', label: 'Promises and disputes', children: <Claims page={page} today={today} /> },
          { key: 'record', label: 'Customer', children: <CustomerRecord code={code} /> },
          { key: 'log', label: 'Log', children: <ContactLog code={code} today={today} /> },
          { key: 'files', label: 'Files', children: <Attachments code={code} /> },
          { key: 'changes', label: 'Changes', children: <AccountChanges code={code} /> },
        ]}
      />
    </div>
  );
}
