import { answered, keyOf } from './once';
import { signedOut } from './problem';

/** Sends a file as it is and gives the answer, or throws the problem. */
export async function upload<T>(url: string, file: File): Promise<T> {
  const key = keyOf('POST', url, `${file.name} ${file.size} ${file.lastModified}`);
  const response = await fetch(url, { method: 'POST', body: file, headers: key ? { 'Idempotency-Key': key } : {} });
  answered(key);
  if (response.status === 401) window.dispatchEvent(new Event(signedOut));
  const body = (await response.json()) as unknown;
  if (!response.ok) throw body;
  return body as T;
}
