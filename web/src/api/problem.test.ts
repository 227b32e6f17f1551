import { describe, expect, it } from 'vitest';
import { answer, asProblem, mayPass, pathOf } from './problem';

describe('what went wrong is told in words', () => {
  it('keeps what the server named', () => {
    const problem = asProblem({
      title: 'The input needs correction',
      detail: 'Give an amount.',
      status: 400,
      errors: { cash: ['Give an amount.'] },
    });
    expect(problem.errors.cash).toEqual(['Give an amount.']);
    expect(problem.status).toBe(400);
  });

  it.each([undefined, null, 'text', new TypeError('Failed to fetch')])(
    'says that what was typed is kept when there is no answer (%s)',
    (error) => {
      const problem = asProblem(error);
      expect(problem.title).toBe('The server did not answer');
      expect(problem.detail).toContain('What you typed is kept');
      expect(problem.errors).toEqual({});
    },
  );

  it.each([
    [0, true],
    [500, true],
    [503, true],
    [400, false],
    [404, false],
    [412, false],
  ])('asks again after %i: %s', (status, again) => expect(mayPass(asProblem({ title: 'x', status }))).toBe(again));

  it('reads the path of a field as the interface names it', () => {
    expect(pathOf('name')).toEqual(['name']);
    expect(pathOf('rates[0].from')).toEqual(['rates', 0, 'from']);
    expect(pathOf('levels[2].fee.bands[11].amount')).toEqual(['levels', 2, 'fee', 'bands', 11, 'amount']);
  });

  it('gives the data of an answer and throws a problem with its status', async () => {
    await expect(answer(Promise.resolve({ data: 7 }))).resolves.toBe(7);
    const wrong = { title: 'Changed by somebody else', detail: '', status: 412, errors: {} };
    await expect(answer(Promise.resolve({ error: wrong }))).rejects.toEqual(wrong);
    await expect(answer(Promise.resolve({}))).rejects.toMatchObject({ title: 'The server did not answer' });
  });
});
