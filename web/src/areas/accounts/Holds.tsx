import { Button } from 'antd';
import { useState } from 'react';
import { ofAccount } from '../../api/changes';
import { endPause, takeAccountBack, type AccountPage } from '../../api/generated';
import { answer } from '../../api/problem';
import { ReasonDialog } from '../../form/ReasonDialog';
import { day } from '../../format/dates';
import { lazyDialog } from '../../shell/lazily';
import { useMay } from '../../shell/session';
import { collectionKinds } from '../../words/runs';
import { PauseReminders } from '../runs';

const HandOver = lazyDialog(() => import('./HandOver').then((m) => m.HandOver));

/** Whether reminders of the account are paused, and whether others collect what it owes. */
export function Holds({ page }: { page: AccountPage }) {
  const { code, name } = page.account;
  const change = useMay()('controller');
  const [asking, setAsking] = useState<'pause' | 'end' | 'handOver' | 'takeBack' | null>(null);
  const { pause, collection } = page;
  return (
    <div className="holds">
      <div className="row-between">
        <span className={pause ? '' : 'muted'}>
          {pause
            ? `Reminders are paused since ${day(pause.from)}, until ${day(pause.until)}: ${pause.reason}`
            : 'Reminders go out by the account’s plan.'}
        </span>
        {change &&
          (pause ? (
            <Button size="small" onClick={() => setAsking('end')}>
              End the pause
            </Button>
          ) : (
            <Button size="small" onClick={() => setAsking('pause')}>
              Pause reminders
            </Button>
          ))}
      </div>
      <div className="row-between">
        <span className={collection ? '' : 'muted'}>
          {collection
            ? `${collectionKinds[collection.kind]} since ${day(collection.from)}: ${collection.to}. Runs leave the account alone.`
            : 'The company collects this account itself.'}
        </span>
        {change && (
          <span className="row-gap">
            <a href={`/api/accounts/${encodeURIComponent(code)}/dossier.zip`}>Dossier (ZIP)</a>
            {collection ? (
              <Button size="small" onClick={() => setAsking('takeBack')}>
                Take back
              </Button>
            ) : (
              <Button size="small" onClick={() => setAsking('handOver')}>
                Hand over
              </Button>
            )}
          </span>
        )}
      </div>
      {asking === 'pause' && <PauseReminders code={code} name={name} onClose={() => setAsking(null)} />}
      {asking === 'end' && pause && (
        <ReasonDialog
          title="End the pause"
          action="End"
          extra="Reminders go out again from today."
          change={ofAccount(code)}
          act={(reason) => answer(endPause({ path: { code, id: pause.id }, body: { reason } }))}
          onClose={() => setAsking(null)}
        />
      )}
      {asking === 'handOver' && <HandOver code={code} name={name} onClose={() => setAsking(null)} />}
      {asking === 'takeBack' && collection && (
        <ReasonDialog
          title={`Take ${name} back from ${collection.to}`}
          action="Take back"
          extra="Runs look at it again from today."
          change={ofAccount(code)}
          act={(reason) => answer(takeAccountBack({ path: { code }, body: { reason } }))}
          onClose={() => setAsking(null)}
        />
      )}
    </div>
  );
}
