import { ofAccounts } from '../../api/changes';
import { approveLimitRequest, putOff, takeUp, type TodayCallView, type TodayEntryView } from '../../api/generated';
import { answer } from '../../api/problem';
import { useAct } from '../../form/useAct';
import { day } from '../../format/dates';

/** Where an account or group of Today is looked at. */
export const addressOf = (call: Pick<TodayCallView, 'about' | 'ofGroup'>) =>
  `/${call.ofGroup ? 'groups' : 'accounts'}/${encodeURIComponent(call.about)}`;

/** Where a held order is decided. */
export const orderOf = (reason: Pick<TodayEntryView, 'number'>) => `/orders?id=${reason.number}`;

/** What is done about an account or group of Today at once, without opening it. */
export function useToday() {
  const act = useAct(ofAccounts);
  const keys = (call: TodayCallView) => call.reasons.map((r) => r.key);
  return {
    approve: (call: TodayCallView, id: number) =>
      act(
        () => answer(approveLimitRequest({ path: { id }, body: { reason: '' } })),
        `${call.name}: the limit is approved.`,
      ),
    putOff: (call: TodayCallView, until: string) =>
      act(
        () => answer(putOff({ body: { keys: keys(call), until, reason: '' } })),
        `${call.name}: back on ${day(until)}.`,
      ),
    takeUp: (call: TodayCallView) =>
      act(() => answer(takeUp({ body: { keys: keys(call) } })), 'It is back in the list.'),
  };
}
