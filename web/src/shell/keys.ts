import { useEffect, useRef } from 'react';
import { isUnsaved, leaving } from '../form/unsaved';

// Keys that go to another account, area or page.
const leaves = /^([jkJK0-9]|Escape)$/;

export type Keys = Record<string, (event: KeyboardEvent) => void>;

// Where letters are text; a choice that was clicked keeps the focus and takes none.
const typed = 'input:not([type=radio], [type=checkbox]), textarea';

/** Single keys, as long as nobody is typing and no dialog is open. */
export function useKeys(keys: Keys) {
  const latest = useRef(keys);
  useEffect(() => {
    latest.current = keys;
  });
  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      if (event.ctrlKey || event.metaKey || event.altKey || event.defaultPrevented) return;
      const target = event.target as HTMLElement;
      if (target.closest(`${typed}, select, [contenteditable="true"], .ant-select-open`)) return;
      // A choice that was clicked takes the arrows, and no letters.
      if (event.key.startsWith('Arrow') && target.closest('input')) return;
      if (document.querySelector('.ant-modal-wrap:not([style*="display: none"]), .ant-drawer-open')) return;
      // On a control, Enter means that control, but for the one that is in hand already.
      if (event.key === 'Enter' && target.closest('a, button:not([aria-current="true"])')) return;
      const act = latest.current[event.key.length === 1 ? event.key.toLowerCase() : event.key];
      if (act) {
        event.preventDefault();
        // What was typed and not sent is not dropped by a key that goes elsewhere.
        if (isUnsaved() && leaves.test(event.key)) leaving(() => act(event));
        else act(event);
      }
    };
    window.addEventListener('keydown', onKey);
    return () => window.removeEventListener('keydown', onKey);
  }, []);
}
