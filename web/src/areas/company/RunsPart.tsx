import { choices } from '../../form/options';
import { Rows } from '../../form/Rows';
import { rhythms, runKinds } from '../../words/runs';

/** Runs that are proposed by themselves. */
export const RunsPart = () => (
  <div className="settings two">
    <section className="card pad wide">
      <h2>Runs proposed by themselves</h2>
      <p className="muted small">
        They stand in Today until somebody has read and posted them. Weekly counts Monday as 1; monthly counts business
        days. A run that is posted unread goes ahead as it was proposed.
      </p>
      <Rows
        name="runSchedules"
        title="Schedule"
        add="Add a schedule"
        start={{ kind: 'reminders', rhythm: 'weekly', number: 1, post: false, send: true }}
        columns={[
          { name: 'kind', label: 'Run', kind: 'choice', options: choices(runKinds) },
          { name: 'rhythm', label: 'How often', kind: 'choice', options: choices(rhythms) },
          { name: 'number', label: 'Day', kind: 'days', suffix: 'day', width: '120px' },
          { name: 'post', label: 'post unread', kind: 'check', width: '130px' },
          { name: 'send', label: 'send', kind: 'check', width: '90px' },
        ]}
      />
    </section>
  </div>
);
