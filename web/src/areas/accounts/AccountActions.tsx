import type { AccountPage } from '../../api/generated';
import { lazyDialog } from '../../shell/lazily';
import type { Keys } from '../../shell/keys';
import { SetOff, TakePayment } from '../cash';
import { WriteCreditNote, WriteInvoice } from '../invoices';
import { RaiseCharge } from '../latecharges';
import { OpeningItem } from '../ledger';
import { ChangeLimit, ChangeState } from '../limits';
import { IssueReminder } from '../reminders';

const ChangeSettings = lazyDialog(() => import('./ChangeSettings').then((m) => m.ChangeSettings));

/** What can be done on an account, each in a dialog of its own. */
export type Action =
  'payment' | 'invoice' | 'creditNote' | 'setOff' | 'charge' | 'reminder' | 'limit' | 'state' | 'settings' | 'opening';

/** Those with a button and a key. */
export const actions: { name: Action; label: string; key: string }[] = [
  { name: 'payment', label: 'Take payment', key: 'R' },
  { name: 'invoice', label: 'Invoice', key: 'I' },
  { name: 'creditNote', label: 'Credit note', key: 'N' },
  { name: 'setOff', label: 'Set off', key: 'O' },
  { name: 'charge', label: 'Late charge', key: 'C' },
  { name: 'reminder', label: 'Remind', key: 'M' },
  { name: 'limit', label: 'Limit', key: 'L' },
  { name: 'state', label: 'State', key: 'S' },
  { name: 'settings', label: 'Terms', key: 'T' },
];

/** The keys of all actions. */
export const actionKeys = (act: (action: Action) => void): Keys =>
  Object.fromEntries(actions.map(({ name, key }) => [key.toLowerCase(), () => act(name)]));

/** The dialog of the action in hand. */
export function AccountActions({
  action,
  ...given
}: {
  action: Action | null;
  page: AccountPage;
  today: string;
  onClose: () => void;
}) {
  const { account, position } = given.page;
  switch (action) {
    case 'payment':
      return <TakePayment {...given} />;
    case 'invoice':
      return (
        <WriteInvoice
          account={{ ...account, taxCode: account.invoiceTaxCode }}
          today={given.today}
          onClose={given.onClose}
        />
      );
    case 'creditNote':
      return <WriteCreditNote {...given} />;
    case 'setOff':
      return <SetOff {...given} />;
    case 'charge':
      return <RaiseCharge {...given} />;
    case 'reminder':
      return <IssueReminder {...given} />;
    case 'state':
      return <ChangeState {...given} />;
    case 'settings':
      return <ChangeSettings {...given} />;
    case 'opening':
      return <OpeningItem {...given} />;
    case 'limit':
      return (
        <ChangeLimit
          holder={{
            code: account.code,
            name: account.name,
            currency: position.currency,
            limit: position.limit,
            exposure: position.exposure,
          }}
          today={given.today}
          onClose={given.onClose}
        />
      );
    case null:
      return null;
  }
}
