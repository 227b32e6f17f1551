import type { ReceivedDocumentView } from '../../api/generated';

/** A file that was looked at, or stored. */
export interface Looked {
  file: File;
  view?: ReceivedDocumentView;
  /** Why it could not even be read. */
  problem?: string;
  stored?: boolean;
}

/** Whether it can be stored: nothing is wrong, and its check lets it go or has its reason. */
export function canTake({ view, stored }: Looked, reason: string): boolean {
  if (!view?.effect || stored) return false;
  const answer = view.effect.check?.answer;
  return answer !== 'refuse' && (answer !== 'ask' || reason.trim() !== '');
}
