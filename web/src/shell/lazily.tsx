import { lazy, Suspense, type ComponentType, type ReactNode } from 'react';
import { Waiting } from './Loaded';

/** A part that is loaded when it is first shown. */
function lazily<P extends object>(load: () => Promise<ComponentType<P>>, meanwhile: ReactNode) {
  const Part = lazy(async () => ({ default: (await load()) as ComponentType<object> }));
  return function Lazily(props: P) {
    return (
      <Suspense fallback={meanwhile}>
        <Part {...props} />
      </Suspense>
    );
  };
}

/** A dialog that is loaded when it is first opened. */
export const lazyDialog = <P extends object>(load: () => Promise<ComponentType<P>>) => lazily(load, null);

/** A page, or a part of one, that is loaded when it is first looked at. */
export const lazyView = <P extends object>(load: () => Promise<ComponentType<P>>, what: string, lines = 6) =>
  lazily(
    load,
    <div className="page">
      <Waiting what={what} lines={lines} />
    </div>,
  );
