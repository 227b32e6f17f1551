import { useQuery } from '@tanstack/react-query';
import { Link } from 'react-router-dom';
import { getSettingUpOptions } from '../../api/generated/@tanstack/react-query.gen';

/** What a new company still has to decide, each with the way to it. Nothing once all of it is done. */
export function SettingUp() {
  // A list of things to do is no answer somebody waits for; where it cannot be read, it is left out.
  const { data } = useQuery(getSettingUpOptions());
  if (!data || data.every((step) => step.done)) return null;
  const next = data.find((step) => !step.done);
  return (
    <section className="card pad" aria-label="Setting up" style={{ marginBottom: 12 }}>
      <h2>
        Setting up: {data.filter((step) => step.done).length} of {data.length}
      </h2>
      <ol className="setting-up">
        {data.map((step) => (
          <li key={step.what} className={step.done ? 'done' : step === next ? 'next' : ''}>
            {step.done ? step.what : <Link to={step.path}>{step.what}</Link>}
            {step.done ? <span className="muted small"> done</span> : <span className="muted small"> {step.why}</span>}
          </li>
        ))}
      </ol>
    </section>
  );
}
