import { App } from 'antd';
import { useEffect } from 'react';
import { askBy, isUnsaved, leaving } from '../form/unsaved';

/** Asks before what was typed and not sent is dropped: by a key, by a link, or by closing the window. */
export function AskBeforeLeaving() {
  const { modal } = App.useApp();
  useEffect(() => {
    askBy((act) => {
      void modal.confirm({
        title: 'Leave what you typed?',
        content: 'It is not stored yet.',
        okText: 'Leave it',
        cancelText: 'Go on typing',
        autoFocusButton: 'cancel',
        onOk: act,
      });
    });
    const onClick = (event: MouseEvent) => {
      const link = (event.target as HTMLElement).closest<HTMLAnchorElement>('a[href]');
      if (!link || link.target || !isUnsaved() || event.ctrlKey || event.metaKey) return;
      event.preventDefault();
      event.stopPropagation();
      leaving(() => link.click());
    };
    const onUnload = (event: BeforeUnloadEvent) => {
      if (isUnsaved()) event.preventDefault();
    };
    document.addEventListener('click', onClick, true);
    window.addEventListener('beforeunload', onUnload);
    return () => {
      askBy(null);
      document.removeEventListener('click', onClick, true);
      window.removeEventListener('beforeunload', onUnload);
    };
  }, [modal]);
  return null;
}
