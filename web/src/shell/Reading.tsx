import { useIsFetching } from '@tanstack/react-query';

/** A line under the top bar while something is read again, so that figures that stand are known to be on their way. */
export function Reading() {
  const reading = useIsFetching() > 0;
  return <div className={reading ? 'reading on' : 'reading'} aria-hidden="true" />;
}
