import { useQuery } from '@tanstack/react-query';
import { suggestLimitsOptions } from '../../api/generated/@tanstack/react-query.gen';
import { money } from '../../format/money';
import { suggestionMethods } from '../../words/limits';
import { useWorkings } from '../../workings/Workings';

/** Limits that are suggested, each with its workings; one can be taken over. */
export function Suggestions({ code, onTake }: { code: string; onTake: (amount: string) => void }) {
  const { data } = useQuery(suggestLimitsOptions({ path: { code } }));
  const show = useWorkings();
  const known = (data ?? []).filter((s) => s.amount !== null);
  if (known.length === 0) return null;
  return (
    <p className="small" style={{ marginTop: 0 }}>
      Suggested:{' '}
      {known.map((s, i) => (
        <span key={s.method}>
          {i > 0 ? ' · ' : ''}
          <button type="button" className="linkish" onClick={() => onTake(s.amount ?? '')}>
            {money(s.amount)}
          </button>{' '}
          {suggestionMethods[s.method]}{' '}
          <button
            type="button"
            className="linkish muted"
            onClick={() => show({ title: `Limit suggested ${suggestionMethods[s.method]}`, workings: s.workings })}
          >
            workings
          </button>
        </span>
      ))}
    </p>
  );
}
