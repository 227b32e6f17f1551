import { client } from './generated/client.gen';
import { answered, keyOf } from './once';
import { asProblem, signedOut, type Problem } from './problem';

declare module '@tanstack/react-query' {
  interface Register {
    /** Whatever goes wrong comes as a problem in words. */
    defaultError: Problem;
  }
}

/** Readies the generated client: each request that writes bears a key, and what goes wrong comes as a problem. */
export function readyClient() {
  client.setConfig({ baseUrl: '' });
  client.interceptors.request.use((request, options) => {
    const key =
      request.headers.get('Idempotency-Key') ?? keyOf(request.method, request.url, options.serializedBody ?? '');
    if (key) request.headers.set('Idempotency-Key', key);
    return request;
  });
  client.interceptors.response.use((response, request) => {
    answered(request.headers.get('Idempotency-Key'));
    if (response.status === 401) window.dispatchEvent(new Event(signedOut));
    return response;
  });
  client.interceptors.error.use((error, response) =>
    asProblem(typeof error === 'object' && response ? { status: response.status, ...error } : undefined),
  );
}
