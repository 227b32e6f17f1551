import { describe, expect, it } from 'vitest';
import { answered, keyOf } from './once';

describe('keys of requests that write', () => {
  it('keeps a key until the request is answered', () => {
    const first = keyOf('POST', '/api/accounts', '{"name":"A"}');
    expect(first).not.toBeNull();
    expect(keyOf('POST', '/api/accounts', '{"name":"A"}')).toBe(first);
    expect(keyOf('POST', '/api/accounts', '{"name":"B"}')).not.toBe(first);
    answered(first);
    expect(keyOf('POST', '/api/accounts', '{"name":"A"}')).not.toBe(first);
  });

  it('needs none where nothing is written', () => {
    expect(keyOf('GET', '/api/accounts', '')).toBeNull();
    expect(keyOf('POST', '/api/accounts/A/receipts?preview=true', '{}')).toBeNull();
    expect(keyOf('POST', '/api/accounts/A/receipts?preview=false', '{}')).not.toBeNull();
  });

  it('holds no more than it needs', () => {
    const first = keyOf('PUT', '/api/a', '0');
    for (let n = 1; n <= 200; n++) keyOf('PUT', '/api/a', `${n}`);
    expect(keyOf('PUT', '/api/a', '0')).not.toBe(first);
  });
});
