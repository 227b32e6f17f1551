import { useEffect, useId, useRef } from 'react';

// Forms on the page, each with whether something was typed in it that is not sent yet.
const forms = new Map<string, () => boolean>();
let asker: ((act: () => void) => void) | null = null;

/** Whether something typed would be lost by going elsewhere. */
export const isUnsaved = () => [...forms.values()].some((typed) => typed());

/** Does it at once where nothing was typed; else asks first. */
export function leaving(act: () => void) {
  if (!isUnsaved() || !asker) {
    act();
    return;
  }
  asker(() => {
    forms.clear();
    act();
  });
}

/** Says how to ask whether what was typed may be dropped. */
export function askBy(ask: ((act: () => void) => void) | null) {
  asker = ask;
}

/** While something was typed in a form, leaving it asks first. */
export function useUnsaved(typed: (() => boolean) | undefined) {
  const key = useId();
  const latest = useRef(typed);
  useEffect(() => {
    latest.current = typed;
    if (typed) forms.set(key, () => latest.current?.() ?? false);
  });
  useEffect(() => () => void forms.delete(key), [key]);
}
