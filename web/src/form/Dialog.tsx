import { Modal } from 'antd';
import { useEffect, useRef, type ReactNode } from 'react';
import { leaving, useUnsaved } from './unsaved';

// A switch between two forms of the dialog is no field of it.
const fields = 'input:not([type=hidden], .ant-segmented-item-input, :disabled), textarea:not(:disabled)';

/** A dialog. Its first field has the focus when it opens, so that one can type at once. */
export function Dialog({
  title,
  width = 480,
  high,
  typed,
  onClose,
  children,
}: {
  title: ReactNode;
  width?: number;
  /** For what needs the height of the window. */
  high?: boolean;
  /** Whether something was typed in it: closing it asks first. */
  typed?: () => boolean;
  onClose: () => void;
  children: ReactNode;
}) {
  const inside = useRef<HTMLDivElement>(null);
  useUnsaved(typed);
  useEffect(() => {
    // The dialog takes the focus itself when it opens, so it is taken a moment later, unless something has it by then.
    const timer = setTimeout(() => {
      const at = document.activeElement;
      if (at instanceof HTMLElement && inside.current?.contains(at) && at.matches(fields)) return;
      inside.current?.querySelector<HTMLElement>(fields)?.focus();
    }, 40);
    return () => clearTimeout(timer);
  }, []);
  return (
    <Modal
      open
      title={title}
      footer={null}
      onCancel={() => (typed?.() ? leaving(onClose) : onClose())}
      width={width}
      style={high ? { top: 30 } : undefined}
    >
      <div ref={inside}>{children}</div>
    </Modal>
  );
}
