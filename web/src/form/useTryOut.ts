import { keepPreviousData, useQuery } from '@tanstack/react-query';
import type { Problem } from '../api/problem';
import { usePaused } from './usePaused';

/** Asks what comes of what is being typed, once typing pauses. What could be read last stays until there is another answer. */
export function useTryOut<B, T>(name: string, body: B, ask: (body: B) => Promise<T>, enabled = true) {
  const paused = usePaused(JSON.stringify(body));
  const query = useQuery<T, Problem>({
    queryKey: ['try-out', name, paused],
    queryFn: () => ask(JSON.parse(paused) as B),
    placeholderData: keepPreviousData,
    retry: false,
    enabled,
  });
  return { error: query.error, shown: query.error ? undefined : query.data };
}
