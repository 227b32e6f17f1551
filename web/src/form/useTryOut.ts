import { keepPreviousData, useQuery } from '@tanstack/react-query';
import type { Problem } from '../api/problem';
import { useState } from 'react';
import { usePaused } from './usePaused';

/** Asks what comes of what is being typed, once typing pauses. What could be read last stays until there
 * is another answer. */
export function useTryOut<B, T>(name: string, body: B, ask: (body: B) => Promise<T>, enabled = true) {
  const paused = usePaused(JSON.stringify(body));
  const query = useQuery<T, Problem>({
    queryKey: ['try-out', name, paused],
    queryFn: () => ask(JSON.parse(paused) as B),
    placeholderData: keepPreviousData,
    retry: false,
    enabled,
  });
  // Once something could not be read, what was shown before it is not shown again while that is typed again.
  const [failed, setFailed] = useState(false);
  const answered = !query.isFetching && !query.isPlaceholderData;
  if (answered && failed !== (query.error !== null)) setFailed(query.error !== null);
  if (query.error && !failed) setFailed(true);
  const stale = query.isPlaceholderData && failed;
  return { error: query.error, shown: query.error || stale ? undefined : query.data };
}
