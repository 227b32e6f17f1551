import { useQueryClient } from '@tanstack/react-query';
import { App } from 'antd';
import { ofAccounts, readAgain } from '../../api/changes';
import { approveLimitRequest, putOff, takeUp, type TodayCallView, type TodayEntryView } from '../../api/generated';
import { answer, asProblem } from '../../api/problem';
import { day } from '../../format/dates';

/** Where an account or group of Today is looked at. */
export const addressOf = (call: Pick<TodayCallView, 'about' | 'ofGroup'>) =>
  `/${call.ofGroup ? 'groups' : 'accounts'}/${encodeURIComponent(call.about)}`;

/** Where a held order is decided. */
export const orderOf = (reason: Pick<TodayEntryView, 'number'>) => `/orders?id=${reason.number}`;

/** What is done about an account or group of Today at once, without opening it. */
export function useToday() {
  const client = useQueryClient();
  const { message } = App.useApp();
  const act = async (call: () => Promise<unknown>, done: string) => {
    try {
      await call();
      void message.success(done);
    } catch (e) {
      void message.error(asProblem(e).detail);
    }
    await readAgain(client, ofAccounts);
  };
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
