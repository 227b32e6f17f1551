import { expect, it } from 'vitest';
import { ofOneRow } from './oneRow';

it('names the fields of the only row as the form does', async () => {
  const wrong = { title: 'Wrong', status: 400, errors: { 'rates[0].rate': ['Give a rate.'], reason: ['Say why.'] } };
  await expect(ofOneRow('rates', Promise.reject(wrong))).rejects.toMatchObject({
    title: 'Wrong',
    errors: { rate: ['Give a rate.'], reason: ['Say why.'] },
  });
  await expect(ofOneRow('rates', Promise.resolve(3))).resolves.toBe(3);
});
