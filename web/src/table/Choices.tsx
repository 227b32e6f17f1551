import { useEffect, useRef, type ReactNode } from 'react';
import { useKeys } from '../shell/keys';
import { stepped } from './useListKeys';

interface Choice {
  key: string;
  title: string;
  mark?: ReactNode;
  /** What stands below. */
  whom: string;
  when: string;
}

/** A list at the left of which one is in hand at the right, chosen by mouse or keyboard. */
export function Choices({
  label,
  choices,
  chosen,
  onChoose,
}: {
  label: string;
  choices: Choice[];
  chosen: string;
  onChoose: (key: string) => void;
}) {
  // Two quick steps are two steps, also when the first is not drawn yet.
  const last = useRef(chosen);
  useEffect(() => {
    last.current = chosen;
  }, [chosen]);
  const step = (by: number) => {
    const at = choices.findIndex((c) => c.key === last.current);
    const to = choices[stepped(at, by, choices.length)];
    if (!to) return;
    last.current = to.key;
    onChoose(to.key);
  };
  useKeys({ j: () => step(1), k: () => step(-1), ArrowDown: () => step(1), ArrowUp: () => step(-1) });
  return (
    <div className="queue" role="listbox" aria-label={label}>
      {choices.map((c) => (
        <button
          key={c.key}
          type="button"
          role="option"
          aria-selected={c.key === chosen}
          className={c.key === chosen ? 'on' : ''}
          onClick={() => onChoose(c.key)}
        >
          <span className="row-between" style={{ flexWrap: 'nowrap' }}>
            <b className="ellipsis">{c.title}</b>
            {c.mark}
          </span>
          <span className="row-between small muted" style={{ flexWrap: 'nowrap' }}>
            <span className="ellipsis">{c.whom}</span>
            <span className="nowrap">{c.when}</span>
          </span>
        </button>
      ))}
    </div>
  );
}
