import { QueryClient } from '@tanstack/react-query';
import { afterEach, beforeAll, describe, expect, it, vi } from 'vitest';
import { readyClient } from './client';
import { openAccount } from './generated';
import { client } from './generated/client.gen';
import { getAccountOptions } from './generated/@tanstack/react-query.gen';
import { answer, signedOut } from './problem';

const json = (status: number, body: unknown) =>
  new Response(JSON.stringify(body), { status, headers: { 'Content-Type': 'application/json' } });
const queries = new QueryClient({ defaultOptions: { queries: { retry: false } } });
const ended = vi.fn();

beforeAll(() => {
  const target = new EventTarget();
  vi.stubGlobal('window', target);
  target.addEventListener(signedOut, ended);
  readyClient();
  client.setConfig({ baseUrl: 'http://here' });
});
afterEach(() => ended.mockReset());

const answering = (make: () => Promise<Response>) => {
  const fetch = vi.fn<(request: Request) => Promise<Response>>(make);
  client.setConfig({ fetch: fetch as unknown as typeof globalThis.fetch });
  return fetch;
};

describe('the client of the interface', () => {
  it('gives each request that writes a key, and questions none', async () => {
    const fetch = answering(() => Promise.resolve(json(200, {})));
    await answer(openAccount({ body: { name: 'A' } }));
    await queries.fetchQuery(getAccountOptions({ path: { code: 'A' } }));
    const keys = fetch.mock.calls.map(([request]) => request.headers.get('Idempotency-Key'));
    expect(keys[0]).toMatch(/^[0-9a-f-]{36}$/);
    expect(keys[1]).toBeNull();
  });

  it('sends the same key again when no answer came back, and a new one after an answer', async () => {
    const fetch = answering(() => Promise.reject(new TypeError('Failed to fetch')));
    const body = { name: 'B' };
    await expect(answer(openAccount({ body }))).rejects.toMatchObject({ title: 'The server did not answer' });
    await expect(answer(openAccount({ body }))).rejects.toMatchObject({ status: 0 });
    fetch.mockImplementation(() => Promise.resolve(json(200, {})));
    await answer(openAccount({ body }));
    await answer(openAccount({ body }));
    const keys = fetch.mock.calls.map(([request]) => request.headers.get('Idempotency-Key'));
    expect(new Set(keys.slice(0, 3)).size).toBe(1);
    expect(keys[3]).not.toBe(keys[0]);
  });

  it('throws what a question is refused with as a problem with its status', async () => {
    answering(() => Promise.resolve(json(404, { title: 'There is no such account', detail: 'No account X.' })));
    await expect(queries.fetchQuery(getAccountOptions({ path: { code: 'X' } }))).rejects.toEqual({
      title: 'There is no such account',
      detail: 'No account X.',
      status: 404,
      errors: {},
    });
    expect(ended).not.toHaveBeenCalled();
  });

  it('says that the session has ended', async () => {
    answering(() => Promise.resolve(json(401, { title: 'Sign in' })));
    await expect(queries.fetchQuery(getAccountOptions({ path: { code: 'Y' } }))).rejects.toMatchObject({ status: 401 });
    expect(ended).toHaveBeenCalledOnce();
  });
});
