import { useEffect, useId } from 'react';

// Forms in which something was typed that is not sent yet.
const dirty = new Set<string>();
let asker: ((act: () => void) => void) | null = null;

/** Whether something typed would be lost by going elsewhere. */
export const isUnsaved = () => dirty.size > 0;

/** Does it at once where nothing was typed; else asks first. */
export function leaving(act: () => void) {
  if (!isUnsaved() || !asker) {
    act();
    return;
  }
  asker(() => {
    dirty.clear();
    act();
  });
}

/** Says how to ask whether what was typed may be dropped. */
export function askBy(ask: ((act: () => void) => void) | null) {
  asker = ask;
}

/** While it is true, leaving asks first. */
export function useUnsaved(typed: boolean) {
  const key = useId();
  useEffect(() => {
    if (typed) dirty.add(key);
    else dirty.delete(key);
    return () => void dirty.delete(key);
  }, [key, typed]);
}
