import { useEffect, useRef, useState } from 'react';
import { asProblem, type Problem } from '../api/problem';

/** Asks for the effect of a posting while it is being filled in; only the latest answer counts. */
export function usePreview<T>(body: string | null, ask: () => Promise<T>) {
  const [state, setState] = useState<{ body: string; effect: T | null; problem: Problem | null }>({
    body: '',
    effect: null,
    problem: null,
  });
  const latest = useRef(ask);
  useEffect(() => {
    latest.current = ask;
  });
  useEffect(() => {
    if (body === null) return undefined;
    let current = true;
    const timer = setTimeout(() => {
      latest.current().then(
        (effect) => current && setState({ body, effect, problem: null }),
        (error: unknown) => current && setState((s) => ({ body, effect: s.effect, problem: asProblem(error) })),
      );
    }, 200);
    return () => {
      current = false;
      clearTimeout(timer);
    };
  }, [body]);
  return body === null
    ? { effect: null, problem: null, settled: false }
    : { effect: state.problem ? null : state.effect, problem: state.problem, settled: state.body === body };
}
