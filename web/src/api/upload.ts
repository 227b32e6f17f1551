import { answered, keyOf } from './once';
import { asProblem, signedOut } from './problem';

/** Sends a file as it is, which the generated client has no way for, and gives the answer or throws the problem. */
export async function upload<T>(url: string, file: File): Promise<T> {
  const key = keyOf('POST', url, `${file.name} ${file.size} ${file.lastModified}`);
  let response: Response;
  try {
    response = await fetch(url, { method: 'POST', body: file, headers: key ? { 'Idempotency-Key': key } : {} });
  } catch {
    throw asProblem(undefined);
  }
  answered(key);
  if (response.status === 401) window.dispatchEvent(new Event(signedOut));
  const body = (await response.json().catch(() => undefined)) as unknown;
  if (!response.ok) throw asProblem(body && { status: response.status, ...(body as object) });
  return body as T;
}
