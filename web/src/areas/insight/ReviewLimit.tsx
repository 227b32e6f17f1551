import { useAccount } from '../../api/queries';
import { ChangeLimit } from '../limits';

/** A lapsed review: the limit is confirmed or changed, with its next review. */
export function ReviewLimit({ code, today, onClose }: { code: string; today: string; onClose: () => void }) {
  const { data } = useAccount(code);
  if (!data) return null;
  const { account, position } = data;
  return (
    <ChangeLimit
      holder={{
        code: account.code,
        name: account.name,
        currency: account.currency,
        limit: position.limit,
        exposure: position.exposure,
      }}
      today={today}
      confirm
      onClose={onClose}
    />
  );
}
