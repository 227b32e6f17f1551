import { useState } from 'react';
import { signIn, type OfferedUser, type SessionView } from '../../api/generated';
import { answer, asProblem, type Problem } from '../../api/problem';
import { ProblemNote } from '../../form/ProblemNote';
import { Grid } from '../../table/Grid';
import { roleNames } from '../../words/people';
import { bound } from './authority';

/** The people of the demo, one of whom one can sign in as. */
export function OfferedPeople({
  people,
  currency,
  onDone,
}: {
  people: OfferedUser[];
  currency: string;
  onDone: (s: SessionView) => void;
}) {
  const [problem, setProblem] = useState<Problem | null>(null);
  const as = async ({ name, password }: OfferedUser) => {
    try {
      onDone(await answer(signIn({ body: { name, password } })));
    } catch (e) {
      setProblem(asProblem(e));
    }
  };
  return (
    <section className="card pad" aria-label="People of the demo">
      <h2>People of the demo</h2>
      <p className="muted">All made up. Choose one to sign in as; the password of all is “{people[0].password}”.</p>
      <ProblemNote problem={problem} />
      <Grid
        label="People of the demo"
        rows={people}
        keyOf={(p) => p.name}
        columns={[
          {
            title: 'Person',
            cell: (p) => (
              <>
                <button type="button" className="linkish strong" onClick={() => void as(p)}>
                  {p.fullName}
                </button>{' '}
                <span className="muted small">{p.name}</span>
              </>
            ),
          },
          { title: 'Role', cell: (p) => roleNames[p.role] },
          { title: 'May grant limits', cell: (p) => bound(p.authority.limit, currency) },
          { title: 'May release over limit', cell: (p) => bound(p.authority.release, currency) },
        ]}
      />
    </section>
  );
}
