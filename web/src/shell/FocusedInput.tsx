import { Input, type InputProps, type InputRef } from 'antd';
import { useEffect, useRef } from 'react';

/** The field of a dialog that typing goes to. Dialogs take the focus when they open, so it is taken back a moment later. */
export function FocusedInput(props: InputProps) {
  const input = useRef<InputRef>(null);
  useEffect(() => {
    const timer = setTimeout(() => input.current?.focus(), 40);
    return () => clearTimeout(timer);
  }, []);
  return <Input {...props} ref={input} />;
}
