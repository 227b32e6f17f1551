import { Alert, Button } from 'antd';
import { useState } from 'react';
import { ChangeMany } from '../accounts';
import type { FormerDefault } from './changedDefaults';

/** After a default was changed: customers that still have the former one are changed only when asked, and shown first. */
export function ApplyDefaults({ former, onDone }: { former: FormerDefault[]; onDone: () => void }) {
  const [chosen, setChosen] = useState<FormerDefault | null>(null);
  return (
    <>
      <Alert
        type="info"
        showIcon
        closable={{ closeIcon: true, onClose: onDone, 'aria-label': 'Leave existing customers as they are' }}
        style={{ marginBottom: 12 }}
        title="Defaults for new customers have changed. Existing customers keep what they have."
        description={
          <span>
            To change those that still have the former one, after seeing which:{' '}
            {former.map((d) => (
              <Button key={d.field} size="small" style={{ marginRight: 6 }} onClick={() => setChosen(d)}>
                {d.title}: {d.was || 'none'} → {d.now || 'none'}
              </Button>
            ))}
          </span>
        }
      />
      {chosen && (
        <ChangeMany
          start={{ field: chosen.field, value: chosen.now, onlyWith: chosen.was }}
          onClose={() => setChosen(null)}
        />
      )}
    </>
  );
}
