import { createContext, lazy, Suspense, useContext, useState, type ReactNode } from 'react';
import type { Working } from '../api/generated';

/** A figure and how it comes about. */
export interface Shown {
  title: string;
  workings: Working[];
}

const Context = createContext<(shown: Shown) => void>(() => undefined);

/** Opens the workings of a computed figure beside the page. */
export const useWorkings = () => useContext(Context);

const WorkingsDrawer = lazy(() => import('./WorkingsDrawer').then((m) => ({ default: m.WorkingsDrawer })));

/** Holds the workings that are shown, beside every page. */
export function WorkingsProvider({ children }: { children: ReactNode }) {
  const [shown, setShown] = useState<Shown | null>(null);
  return (
    <Context.Provider value={setShown}>
      {children}
      {shown && (
        <Suspense fallback={null}>
          <WorkingsDrawer shown={shown} onClose={() => setShown(null)} />
        </Suspense>
      )}
    </Context.Provider>
  );
}
