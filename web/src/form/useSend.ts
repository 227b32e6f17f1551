import { useQueryClient } from '@tanstack/react-query';
import type { FormInstance } from 'antd';
import { useState } from 'react';
import { readAgain, type Change } from '../api/changes';
import { asProblem, pathOf, type Problem } from '../api/problem';

/**
 * Sends a change. What is wrong lands on the form's fields; what fits no field is told above it. Nothing typed is lost.
 * What the change touches is read again before it counts as done.
 * Where parts of the form are out of sight, onWrong is told the fields so that they can be shown.
 */
export function useSend(form: FormInstance, change: Change, onWrong?: (fields: string[]) => void) {
  const client = useQueryClient();
  const [problem, setProblem] = useState<Problem | null>(null);
  const [busy, setBusy] = useState(false);
  const show = (error: unknown) => {
    const p = asProblem(error);
    onWrong?.(Object.keys(p.errors));
    const { known, rest } = sorted(p, form);
    form.setFields(known);
    const first = known[0];
    if (first) {
      form.scrollToField(first.name, { block: 'center' });
      form.focusField(first.name);
    }
    setProblem(rest);
  };
  const send = async <T>(act: () => Promise<T>): Promise<T | undefined> => {
    setBusy(true);
    setProblem(null);
    try {
      const result = await act();
      await readAgain(client, change);
      return result;
    } catch (e) {
      show(e);
      return undefined;
    } finally {
      setBusy(false);
    }
  };
  return { send, busy, problem, show, clear: () => setProblem(null) };
}

/** What of a problem belongs to fields of the form, and what is left to be told above it. */
export function sorted(problem: Problem, form: Pick<FormInstance, 'getFieldsValue' | 'getFieldInstance'>) {
  const names = new Set(Object.keys(form.getFieldsValue(true) as object));
  const known = Object.entries(problem.errors)
    .map(([field, errors]) => ({ name: pathOf(field), errors }))
    .filter(({ name }) => (name.length === 1 ? names.has(String(name[0])) : form.getFieldInstance(name) !== undefined));
  const all = known.length > 0 && known.length === Object.keys(problem.errors).length;
  return { known, rest: all ? null : problem };
}
