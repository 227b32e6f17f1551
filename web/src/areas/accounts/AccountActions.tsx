import type { AccountPage } from '../../api/generated';
import { lazyDialog } from '../../shell/lazily';
import { Refund, SetOff, TakePayment } from '../cash';
import { WriteCreditNote, WriteInvoice } from '../invoices';
import { RaiseCharge } from '../latecharges';
import { OpeningItem, WriteOffItem } from '../ledger';
import { ChangeLimit, ChangeState } from '../limits';
import { IssueReminder } from '../reminders';
import type { Action } from './actions';

const NoteCall = lazyDialog(() => import('./NoteCall').then((m) => m.NoteCall));
const ChangeSettings = lazyDialog(() => import('./ChangeSettings').then((m) => m.ChangeSettings));

/** The dialog of the action in hand. */
export function AccountActions({
  action,
  at,
  ...given
}: {
  action: Action | null;
  /** The item in hand, or -1. */
  at: number;
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
    case 'refund':
      return <Refund {...given} at={at} />;
    case 'writeOff':
      return <WriteOffItem {...given} at={at} />;
    case 'charge':
      return <RaiseCharge {...given} />;
    case 'reminder':
      return <IssueReminder {...given} />;
    case 'state':
      return <ChangeState {...given} />;
    case 'settings':
      return <ChangeSettings {...given} />;
    case 'call':
      return <NoteCall {...given} />;
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
