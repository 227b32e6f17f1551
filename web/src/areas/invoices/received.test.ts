import { describe, expect, it } from 'vitest';
import type { ReceivedDocumentView } from '../../api/generated';
import { goesNext, type Looked } from './received';

const looked = (canBeStored: boolean, needsReason: boolean, more: Partial<Looked> = {}): Looked => ({
  file: new File([], 'one.xml'),
  view: { document: {}, effect: null, canBeStored, needsReason } as unknown as ReceivedDocumentView,
  ...more,
});

describe('an electronic document', () => {
  it('goes next where the answer says so, and with a reason where it takes one', () => {
    expect(goesNext(looked(true, false), '')).toBe(true);
    expect(goesNext(looked(true, true), ' ')).toBe(false);
    expect(goesNext(looked(true, true), 'agreed by telephone')).toBe(true);
    expect(goesNext(looked(false, false), 'agreed by telephone')).toBe(false);
  });

  it('does not go where it could not be read, or is stored already', () => {
    expect(goesNext({ file: new File([], 'x'), problem: 'no XML' }, '')).toBe(false);
    expect(goesNext(looked(true, false, { stored: true }), '')).toBe(false);
  });
});
