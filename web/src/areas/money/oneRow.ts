import { asProblem, type Problem } from '../../api/problem';

/** What is wrong with the one row that a form sends, by the form's own fields. */
export async function ofOneRow<T>(list: string, call: Promise<T>): Promise<T> {
  try {
    return await call;
  } catch (e) {
    const p = asProblem(e);
    const errors = Object.entries(p.errors).map(([field, told]) => [field.replace(`${list}[0].`, ''), told]);
    const wrong: Problem = { ...p, errors: Object.fromEntries(errors) as Record<string, string[]> };
    throw wrong;
  }
}
