import type { StepView } from '../../api/generated';
import { day } from '../../format/dates';
import { grouped } from '../../format/money';

/** What comes next on an account, with the day of each. */
export const NextSteps = ({ steps, today }: { steps: StepView[]; today: string }) => (
  <section className="card pad" aria-label="Next steps">
    <h2>Next steps</h2>
    <table className="lines">
      <tbody>
        {steps.map((step) => (
          <tr key={step.text}>
            <th scope="row" className={step.alarm ? 'alarm' : ''}>
              {grouped(step.text)}
            </th>
            <td className="figure">{step.date === today ? 'today' : day(step.date)}</td>
          </tr>
        ))}
        {steps.length === 0 && (
          <tr>
            <td className="muted">Nothing is to be done on this account.</td>
          </tr>
        )}
      </tbody>
    </table>
  </section>
);
