import type { ReceivedDocumentView } from '../../api/generated';

/** A file that was looked at, or stored. */
export interface Looked {
  file: File;
  view?: ReceivedDocumentView;
  /** Why it could not even be read. */
  problem?: string;
  stored?: boolean;
}

/** Whether it is stored with the next step: the answer says that it can be, and a reason is there where it takes one. */
export const goesNext = ({ view, stored }: Looked, reason: string) =>
  !stored && view !== undefined && view.canBeStored && (!view.needsReason || reason.trim() !== '');
