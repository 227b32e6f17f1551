import { Button } from 'antd';
import { useRef, type ReactNode } from 'react';

/** A button that lets a file be chosen; the same file can be chosen twice. */
export function FilePick({
  accept,
  label,
  disabled,
  onPick,
  children,
}: {
  accept: string;
  /** What is chosen, for a screen reader. */
  label: string;
  disabled?: boolean;
  onPick: (file: File) => void;
  children: ReactNode;
}) {
  const input = useRef<HTMLInputElement>(null);
  return (
    <>
      <input
        ref={input}
        type="file"
        aria-label={label}
        accept={accept}
        hidden
        onChange={(e) => {
          const file = e.target.files?.[0];
          e.target.value = '';
          if (file) onPick(file);
        }}
      />
      <Button disabled={disabled} onClick={() => input.current?.click()}>
        {children}
      </Button>
    </>
  );
}
