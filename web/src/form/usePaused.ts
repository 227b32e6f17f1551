import { useEffect, useState } from 'react';

/** The value as it was when it last stood still for a moment; what is typed on is waited for. */
export function usePaused<T>(value: T, milliseconds = 150): T {
  const [paused, setPaused] = useState(value);
  useEffect(() => {
    const timer = setTimeout(() => setPaused(value), milliseconds);
    return () => clearTimeout(timer);
  }, [value, milliseconds]);
  return paused;
}
