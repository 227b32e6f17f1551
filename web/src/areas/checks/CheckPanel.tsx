import type { CheckView } from '../../api/generated';
import { grouped, isNegative, money, size } from '../../format/money';
import { responseNames } from '../../words/checks';
import { useWorkings } from '../../workings/Workings';
import { CheckAnswerBadge } from './CheckAnswerBadge';

/** What a check found, each with its workings, and where the account would stand. */
export function CheckPanel({ check }: { check: CheckView }) {
  const show = useWorkings();
  const over = isNegative(check.headroomAfter);
  return (
    <div role="group" aria-label="Credit check">
      <div className="row-between">
        <span>
          <CheckAnswerBadge answer={check.answer} />{' '}
          {check.answer === 'pass' &&
            (check.shown ? 'Nothing stands against it; the account is on watch.' : 'Nothing stands against it.')}
        </span>
        <span className={`figure${over ? ' alarm strong' : ' muted'}`}>
          {over
            ? `Over by ${size(check.headroomAfter)} ${check.currency} after it`
            : `${money(check.headroomAfter)} ${check.currency} left after it`}
        </span>
      </div>
      <ul className="findings">
        {check.findings.map((f, i) => (
          <li key={i}>
            <span className={`answer ${f.response}`}>{responseNames[f.response]}</span>
            <span>{grouped(f.text)}</span>
            <button
              type="button"
              className="linkish small"
              onClick={() => show({ title: grouped(f.text), workings: f.workings })}
            >
              workings
            </button>
          </li>
        ))}
      </ul>
    </div>
  );
}
