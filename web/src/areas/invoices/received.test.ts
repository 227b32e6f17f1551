import { describe, expect, it } from 'vitest';
import type { CheckAnswer, ReceivedDocumentView } from '../../api/generated';
import { canTake, type Looked } from './received';

const looked = (answer: CheckAnswer | null, more: Partial<Looked> = {}): Looked => ({
  file: new File([], 'one.xml'),
  view: { document: {}, effect: { check: answer && { answer, findings: [] } } } as unknown as ReceivedDocumentView,
  ...more,
});

describe('an electronic document', () => {
  it('is taken where the check lets it go, and with a reason where it asks', () => {
    expect(canTake(looked('pass'), '')).toBe(true);
    expect(canTake(looked('tell'), '')).toBe(true);
    expect(canTake(looked('ask'), ' ')).toBe(false);
    expect(canTake(looked('ask'), 'agreed by telephone')).toBe(true);
    expect(canTake(looked('refuse'), 'agreed by telephone')).toBe(false);
  });

  it('is taken without a check where it is a credit note', () => {
    expect(canTake(looked(null), '')).toBe(true);
  });

  it('is not taken where it could not be read, has something wrong, or is stored already', () => {
    expect(canTake({ file: new File([], 'x'), problem: 'no XML' }, '')).toBe(false);
    expect(
      canTake(looked('pass', { view: { document: {}, effect: null } as unknown as ReceivedDocumentView }), ''),
    ).toBe(false);
    expect(canTake(looked('pass', { stored: true }), '')).toBe(false);
  });
});
