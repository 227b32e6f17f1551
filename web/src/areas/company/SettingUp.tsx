import { useQuery } from '@tanstack/react-query';
import { App, Button } from 'antd';
import { Link } from 'react-router-dom';
import { ofCompany } from '../../api/changes';
import { endSettingUp } from '../../api/generated';
import { getSettingUpOptions } from '../../api/generated/@tanstack/react-query.gen';
import { answer } from '../../api/problem';
import { useAct } from '../../form/useAct';
import { useMay } from '../../shell/session';

/** What a new company still has to decide, each with the way to it. Nothing once all of it is done. */
export function SettingUp() {
  const may = useMay();
  const act = useAct(ofCompany);
  const { modal } = App.useApp();
  // A list of things to do is no answer somebody waits for; where it cannot be read, it is left out.
  const { data } = useQuery(getSettingUpOptions());
  if (!data || data.every((step) => step.done)) return null;
  const next = data.find((step) => !step.done);
  const end = () =>
    void modal.confirm({
      title: 'End setting up?',
      content: 'Credits from before the books then take authority to write off. Setting up is not begun again.',
      okText: 'End setting up',
      onOk: () => act(() => answer(endSettingUp()), 'Setting up has ended.'),
    });
  return (
    <section className="card pad" aria-label="Setting up" style={{ marginBottom: 12 }}>
      <h2>
        Setting up: {data.filter((step) => step.done).length} of {data.length}
      </h2>
      <ol className="setting-up">
        {data.map((step) => (
          <li key={step.what} className={step.done ? 'done' : step === next ? 'next' : ''}>
            {step.done || !step.path ? step.what : <Link to={step.path}>{step.what}</Link>}
            {step.done ? <span className="muted small"> done</span> : <span className="muted small"> {step.why}</span>}
            {!step.done && step === next && !step.path && may('manager') && (
              <Button size="small" onClick={end} style={{ marginLeft: 8 }}>
                End setting up
              </Button>
            )}
          </li>
        ))}
      </ol>
    </section>
  );
}
