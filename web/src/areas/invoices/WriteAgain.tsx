import { useQuery } from '@tanstack/react-query';
import { getDocumentOptions } from '../../api/generated/@tanstack/react-query.gen';
import { WriteInvoice, type Invoiced } from './WriteInvoice';

/** A wrong invoice written again from its lines: the form opens with what was posted. */
export function WriteAgain({
  id,
  account,
  today,
  onClose,
}: {
  id: number;
  account: Invoiced;
  today: string;
  onClose: () => void;
}) {
  const { data } = useQuery(getDocumentOptions({ path: { id } }));
  return data ? <WriteInvoice account={account} replaces={data} today={today} onClose={onClose} /> : null;
}
