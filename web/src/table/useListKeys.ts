import { useState } from 'react';
import { useKeys, type Keys } from '../shell/keys';

/** Where one is after a step in a list; in an empty list nowhere, which is 0. */
export const stepped = (at: number, by: number, count: number) => Math.max(0, Math.min(count - 1, at + by));

/**
 * The row in hand of a list, moved by J, K and the arrows. A list that became shorter keeps its last row in hand.
 * @param keys further keys; they find the row in hand at `at`
 */
export function useListKeys(
  count: number,
  keys: (at: number) => Keys,
  { onMove, enabled = true }: { onMove?: (at: number) => void; enabled?: boolean } = {},
) {
  const [chosen, setAt] = useState(0);
  const at = stepped(chosen, 0, count);
  const move = (by: number) => {
    const next = stepped(at, by, count);
    setAt(next);
    onMove?.(next);
  };
  useKeys(
    enabled
      ? { j: () => move(1), k: () => move(-1), ArrowDown: () => move(1), ArrowUp: () => move(-1), ...keys(at) }
      : {},
  );
  return { at, setAt };
}
