import { useQueryClient } from '@tanstack/react-query';
import { App } from 'antd';
import { readAgain, type Change } from '../api/changes';
import { asProblem } from '../api/problem';

/**
 * Does one thing at once, without a form: says that it is done, or what was wrong, and reads again what it touched.
 * True when it was done.
 */
export function useAct(change: Change) {
  const client = useQueryClient();
  const { message } = App.useApp();
  return async (call: () => Promise<unknown>, done?: string): Promise<boolean> => {
    try {
      await call();
      if (done) void message.success(done);
      return true;
    } catch (e) {
      void message.error(asProblem(e).detail);
      return false;
    } finally {
      await readAgain(client, change);
    }
  };
}
