import { Button } from 'antd';
import { useRef, type ReactNode } from 'react';

/** A button that lets a file be chosen, or several; the same file can be chosen twice. */
export function FilePick({
  accept,
  label,
  disabled,
  focus = false,
  onPick,
  onPickAll,
  children,
}: {
  accept: string;
  /** What is chosen, for a screen reader. */
  label: string;
  disabled?: boolean;
  /** Where it is the first thing of a dialog. */
  focus?: boolean;
  onPick?: (file: File) => void;
  /** Where several can be chosen together. */
  onPickAll?: (files: File[]) => void;
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
        style={{ display: 'none' }}
        multiple={onPickAll !== undefined}
        onChange={(e) => {
          const files = [...(e.target.files ?? [])];
          e.target.value = '';
          if (files.length === 0) return;
          onPick?.(files[0]);
          onPickAll?.(files);
        }}
      />
      <Button autoFocus={focus} disabled={disabled} onClick={() => input.current?.click()}>
        {children}
      </Button>
    </>
  );
}
