import type { CheckView, KeptFindingView } from '../../api/generated';
import { grouped, isNegative, money, size } from '../../format/money';
import { useWorkings } from '../../workings/Workings';

const answers: Record<string, string> = {
  pass: 'Passes',
  tell: 'Go on, informed',
  ask: 'Asks for a reason',
  refuse: 'Refused',
};
export const responseNames: Record<string, string> = { tell: 'tell', ask: 'ask', refuse: 'refuse' };

export const Answer = ({ answer }: { answer: string }) => (
  <span className={`answer ${answer}`}>{answers[answer] ?? answer}</span>
);

/** What a check found, each with its workings, and where the account would stand. */
export function CheckPanel({ check }: { check: CheckView }) {
  const show = useWorkings();
  return (
    <div role="group" aria-label="Credit check">
      <div className="row-between">
        <span>
          <Answer answer={check.answer} />{' '}
          {check.answer === 'pass' &&
            (check.shown ? 'Nothing stands against it; the account is on watch.' : 'Nothing stands against it.')}
        </span>
        <span className={`figure${isNegative(check.headroomAfter) ? ' alarm strong' : ' muted'}`}>
          {isNegative(check.headroomAfter)
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

/** What stood against an order when it was checked. */
export const KeptFindings = ({ findings }: { findings: KeptFindingView[] }) => (
  <span className="small">
    {findings.map((f, i) => (
      <span key={i} className={f.response === 'refuse' ? 'alarm' : 'muted'}>
        {i > 0 ? ' · ' : ''}
        {grouped(f.text)}
      </span>
    ))}
  </span>
);
