import type { UseQueryResult } from '@tanstack/react-query';
import { Alert, Button } from 'antd';
import type { ReactNode } from 'react';
import { asProblem } from '../api/problem';

/** Lines in the place of what is being read, and what it is for a screen reader. */
export const Waiting = ({ what, lines = 6 }: { what: string; lines?: number }) => (
  <div className="waiting" role="status">
    <span className="muted small">Reading {what} …</span>
    {Array.from({ length: lines }, (_, i) => (
      <i key={i} style={{ width: `${[92, 78, 86, 64, 81, 70][i % 6]}%` }} />
    ))}
  </div>
);

/** What went wrong with a question, and the way to ask it again. */
export function Failed({ error, onRetry }: { error: unknown; onRetry?: () => void }) {
  const problem = asProblem(error);
  return (
    <Alert
      type="error"
      showIcon
      title={problem.title}
      // What was typed is no concern of a question that was only read.
      description={problem.status === 0 ? 'Check that the program is running, then try again.' : problem.detail}
      action={
        onRetry && (
          <Button size="small" onClick={onRetry}>
            Try again
          </Button>
        )
      }
    />
  );
}

type Asked<T> = Pick<UseQueryResult<T, unknown>, 'data' | 'error' | 'isError' | 'dataUpdatedAt' | 'refetch'>;

/**
 * What a question is answered with. Until then it says that it waits; when it fails, what went wrong, with what was
 * read before under it.
 */
export function Loaded<T>({
  query,
  what,
  lines,
  children,
}: {
  query: Asked<T>;
  /** What is read, as in "the board". */
  what: string;
  lines?: number;
  children: (data: T) => ReactNode;
}) {
  const { data, error, isError } = query;
  const failed = isError && <Failed error={error} onRetry={() => void query.refetch()} />;
  if (data === undefined) return failed || <Waiting what={what} lines={lines} />;
  return (
    <>
      {failed && (
        <div className="stale">
          {failed}
          <p className="muted small">What follows was read at {new Date(query.dataUpdatedAt).toLocaleTimeString()}.</p>
        </div>
      )}
      {children(data)}
    </>
  );
}
