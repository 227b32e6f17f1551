import { useState } from 'react';

/**
 * The header by which the server knows all that one form sends for one posting: what is changed after no answer came
 * back is not posted beside the first.
 */
export function useKey(): { 'Idempotency-Key': string } {
  const [key] = useState(() => crypto.randomUUID());
  return { 'Idempotency-Key': key };
}
