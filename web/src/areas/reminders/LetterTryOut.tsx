import { Alert } from 'antd';
import { useEffect, useState } from 'react';
import { tryOutReminder, type ReminderPlanRequest } from '../../api/generated';
import { asProblem, type Problem } from '../../api/problem';
import { Waiting } from '../../shell/Loaded';

/** The letter of a level as it would print, on a sample account. */
export function LetterTryOut({
  plan,
  level,
  language,
}: {
  plan: ReminderPlanRequest;
  level: number;
  language: string;
}) {
  const [url, setUrl] = useState<string | null>(null);
  const [problem, setProblem] = useState<Problem | null>(null);
  const body = JSON.stringify(plan);
  useEffect(() => {
    let made: string | null = null;
    let current = true;
    const timer = setTimeout(() => {
      tryOutReminder({
        body: JSON.parse(body) as ReminderPlanRequest,
        query: { level, language },
        parseAs: 'blob',
      }).then(
        ({ data, error }) => {
          if (!current) return;
          if (error || !data) {
            setProblem(asProblem(error));
            return;
          }
          made = URL.createObjectURL(data as unknown as Blob);
          setProblem(null);
          setUrl(made);
        },
        (e: unknown) => current && setProblem(asProblem(e)),
      );
    }, 350);
    return () => {
      current = false;
      clearTimeout(timer);
      if (made) URL.revokeObjectURL(made);
    };
  }, [body, level, language]);
  return (
    <section className="card pad" aria-label="Try-out">
      <h2 style={{ marginBottom: 8 }}>Try-out: the letter of level {level}</h2>
      {problem && <Alert type="error" showIcon title={problem.detail} />}
      {!url && !problem && <Waiting what="the letter" lines={8} />}
      {url && !problem && (
        <img
          alt={`Letter of level ${level}`}
          src={url}
          style={{ width: '100%', border: '1px solid var(--line)', background: '#fff' }}
        />
      )}
    </section>
  );
}
