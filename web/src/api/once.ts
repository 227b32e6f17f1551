/**
 * Keys by which the server knows a request again: what is sent a second time because no answer came back is done once.
 * A key is kept until its request is answered; the same content sent after that is a new request. A form that posts
 * brings one key of its own for all it sends, so that what is changed after no answer came is not posted beside the first.
 */
const waiting = new Map<string, string>();
const MOST = 100;

/** The key of a request that writes; null where nothing is written. */
export function keyOf(method: string, url: string, content: string): string | null {
  if (method === 'GET' || new URL(url, 'http://here').searchParams.get('preview') === 'true') return null;
  const what = `${method} ${url} ${content}`;
  const key = waiting.get(what) ?? crypto.randomUUID();
  waiting.set(what, key);
  if (waiting.size > MOST) waiting.delete(waiting.keys().next().value!);
  return key;
}

/** Forgets the key of a request that was answered. */
export function answered(key: string | null) {
  for (const [what, kept] of waiting) if (kept === key) waiting.delete(what);
}
