import type { FormInstance } from 'antd';
import { describe, expect, it } from 'vitest';
import { asProblem } from '../api/problem';
import { sorted } from './useSend';

const form = (values: object, shown: string[] = []) =>
  ({
    getFieldsValue: () => values,
    getFieldInstance: (name: (string | number)[]) => (shown.includes(name.join('.')) ? {} : undefined),
  }) as unknown as FormInstance;
const wrong = (...fields: string[]) =>
  asProblem({ title: 'The input needs correction', errors: Object.fromEntries(fields.map((f) => [f, [`${f}!`]])) });

describe('what is wrong with a form', () => {
  it('stands at the field that it names, and nowhere else', () => {
    const { known, rest } = sorted(wrong('amount'), form({ amount: '1', reason: '' }));
    expect(known).toEqual([{ name: ['amount'], errors: ['amount!'] }]);
    expect(rest).toBeNull();
  });

  it('stands in a row of a list where that row is in sight', () => {
    const rows = { rates: [{ from: '' }] };
    expect(sorted(wrong('rates[0].from'), form(rows, ['rates.0.from'])).rest).toBeNull();
    expect(sorted(wrong('rates[0].from'), form(rows)).known).toEqual([]);
  });

  it('is told above the form where no field, or not every field, is there', () => {
    const problem = wrong('amount', 'somewhere');
    const { known, rest } = sorted(problem, form({ amount: '1' }));
    expect(known).toHaveLength(1);
    expect(rest).toBe(problem);
    const none = asProblem({ title: 'Changed by somebody else' });
    expect(sorted(none, form({ amount: '1' })).rest).toBe(none);
  });
});
