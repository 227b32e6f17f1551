import { Drawer } from 'antd';
import { createContext, useCallback, useContext, useMemo, useState, type ReactNode } from 'react';
import type { Working } from '../api/generated';
import { money } from '../format/money';

interface Shown {
  title: string;
  workings: Working[];
}

const Context = createContext<(shown: Shown) => void>(() => undefined);

/** Opens the workings of a computed figure beside the page. */
export const useWorkings = () => useContext(Context);

const isFigure = (value: string) => /^[-−]?\d+(\.\d+)?$/.test(value);

export function WorkingsTable({ workings }: { workings: Working[] }) {
  return (
    <table className="grid">
      <thead>
        <tr>
          <th>What</th>
          <th>How it comes about</th>
          <th className="figure">Value</th>
        </tr>
      </thead>
      <tbody>
        {workings.map((line, i) => (
          <tr key={i}>
            <td className="strong">{line.label}</td>
            <td className="muted">{line.formula}</td>
            <td className="figure">{isFigure(line.value) ? money(line.value.replace('−', '-')) : line.value}</td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}

export function WorkingsProvider({ children }: { children: ReactNode }) {
  const [shown, setShown] = useState<Shown | null>(null);
  const show = useCallback((next: Shown) => setShown(next), []);
  const drawer = useMemo(
    () => (
      <Drawer open={shown !== null} onClose={() => setShown(null)} title={shown?.title} size={620} destroyOnHidden>
        {shown && (
          // Focusable, so that a long derivation can be scrolled by keyboard.
          <div tabIndex={0} role="group" aria-label={shown.title}>
            <WorkingsTable workings={shown.workings} />
          </div>
        )}
      </Drawer>
    ),
    [shown],
  );
  return (
    <Context.Provider value={show}>
      {children}
      {drawer}
    </Context.Provider>
  );
}
