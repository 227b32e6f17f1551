import { useEffect, useRef } from 'react';

/** Puts the focus on a dialog's main button once there is something to do, so that Enter does it. */
export function useFocusWhen(ready: boolean) {
  const button = useRef<HTMLButtonElement | HTMLAnchorElement>(null);
  useEffect(() => {
    if (!ready) return undefined;
    const timer = setTimeout(() => button.current?.focus(), 60);
    return () => clearTimeout(timer);
  }, [ready]);
  return button;
}
