import { Fragment, useState, type ReactNode } from 'react';
import { PolicyList, type Entry } from './PolicyList';

/** The policies of one kind at the left, the chosen one's form and try-out beside it. */
export function PolicyPage<P extends Entry>({
  entries,
  what,
  many,
  kind,
  children,
}: {
  entries?: P[];
  what: string;
  /** The same in the plural. */
  many: string;
  /** As in the address of its export. */
  kind: string;
  children: (policy: P | undefined, onSaved: (code: string) => void) => ReactNode;
}) {
  const [chosen, setChosen] = useState<string | null | undefined>(undefined);
  if (!entries) return null;
  const current = chosen === undefined ? (entries[0]?.code ?? null) : chosen;
  const policy = entries.find((p) => p.code === current);
  return (
    <div className="policies">
      <PolicyList entries={entries} current={current} onChoose={setChosen} what={what} many={many} kind={kind} />
      <Fragment key={`${policy?.code} ${policy?.version}`}>{children(policy, setChosen)}</Fragment>
    </div>
  );
}
