import type { UseQueryResult } from '@tanstack/react-query';
import { Fragment, useState, type ReactNode } from 'react';
import { leaving } from '../../form/unsaved';
import { Loaded } from '../../shell/Loaded';
import { PolicyList, type Entry } from './PolicyList';

/** The policies of one kind at the left, the chosen one's form and try-out beside it. */
export function PolicyPage<P extends Entry>({
  query,
  what,
  many,
  kind,
  children,
}: {
  query: UseQueryResult<P[], unknown>;
  what: string;
  /** The same in the plural. */
  many: string;
  /** As in the address of its export. */
  kind: string;
  children: (policy: P | undefined, onSaved: (code: string) => void) => ReactNode;
}) {
  const [chosen, setChosen] = useState<string | null | undefined>(undefined);
  return (
    <Loaded query={query} what={`the ${many}`} lines={10}>
      {(entries) => {
        const current = chosen === undefined ? (entries[0]?.code ?? null) : chosen;
        const policy = entries.find((p) => p.code === current);
        return (
          <div className="policies">
            <PolicyList
              entries={entries}
              current={current}
              onChoose={(code) => leaving(() => setChosen(code))}
              what={what}
              many={many}
              kind={kind}
            />
            <Fragment key={`${policy?.code} ${policy?.version}`}>{children(policy, setChosen)}</Fragment>
          </div>
        );
      }}
    </Loaded>
  );
}
