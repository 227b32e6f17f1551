import type { RunLineState, RunState, RunView } from '../../api/generated';

/** Whether something goes on in the background. */
export const isAtWork = (state: RunState) => state === 'proposing' || state === 'posting' || state === 'reversing';

/** How many accounts of a run are in a state, in all currencies. */
export const accountsIn = (run: Pick<RunView, 'counts'>, state: RunLineState) =>
  run.counts.filter((c) => c.state === state).reduce((sum, c) => sum + c.accounts, 0);

/** How far a run that is at work has come, in percent of the accounts that it goes through. */
export function progress(run: Pick<RunView, 'state' | 'counts'>): number {
  const done = accountsIn(run, 'posted');
  const failed = accountsIn(run, 'failed') + accountsIn(run, 'changed');
  const back = accountsIn(run, 'reversed');
  const all = done + failed + back + accountsIn(run, 'ready');
  if (all === 0) return 100;
  return Math.floor((100 * (run.state === 'reversing' ? back : done + failed + back)) / all);
}

/** The lists of a run that have something in them, and those that always stand there. */
export const listsOf = (run: Pick<RunView, 'counts' | 'state'>): RunLineState[] =>
  (['ready', 'changed', 'failed', 'posted', 'reversed', 'leftOut'] as const).filter(
    (s) => accountsIn(run, s) > 0 || s === 'leftOut' || (s === 'ready' && run.state === 'proposed'),
  );
