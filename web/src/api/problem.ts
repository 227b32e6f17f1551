/** RFC 9457 problem details as the interface sends them. */
export interface Problem {
  title: string;
  detail: string;
  status: number;
  errors: Record<string, string[]>;
}

export function asProblem(error: unknown): Problem {
  const given = (typeof error === 'object' && error !== null ? error : {}) as Partial<Problem>;
  return {
    title: given.title ?? 'The server did not answer',
    detail: given.detail ?? 'What you typed is kept. Check that the program is running, then try again.',
    status: given.status ?? 0,
    errors: given.errors ?? {},
  };
}

/** The event by which the frame learns that the session has ended. */
export const signedOut = 'kiteline:signed-out';

/** What the server said, or the problem thrown. */
export async function answer<T>(call: Promise<{ data?: T; error?: unknown }>): Promise<T> {
  const { data, error } = await call;
  if (error !== undefined || data === undefined) throw asProblem(error);
  return data;
}

/** Whether asking again may help: there was no answer, or the server failed. What was refused stays refused. */
export const mayPass = (problem: Problem) => problem.status === 0 || problem.status >= 500;

/** The steps of a field's path as the interface names it: `rates[0].from` is rates, 0, from. */
export const pathOf = (field: string): (string | number)[] =>
  field
    .replaceAll(']', '')
    .split(/[.[]/)
    .filter((step) => step.length > 0)
    .map((step) => (/^\d+$/.test(step) ? Number(step) : step));
