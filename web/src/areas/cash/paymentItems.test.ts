import { describe, expect, it } from 'vitest';
import { chosenOf, isDecided, paymentItems, proposed, refused, toggled } from './paymentItems';

describe('the items a payment is for', () => {
  it('goes by the rules until something else is chosen', () => {
    expect(paymentItems(toggled({}, 7))).toEqual([
      { id: 7, discount: 'proposed', step: undefined, writeOff: undefined },
    ]);
  });

  it('takes an item out again, with what was chosen for it', () => {
    const chosen = { 7: { discount: '2026-02-10', writeOff: true }, 9: { discount: proposed } };
    expect(toggled(chosen, 7)).toEqual({ 9: { discount: proposed } });
    expect(toggled(toggled(chosen, 7), 7)[7]).toEqual({ discount: proposed });
  });

  it('takes the items that are proposed, with what was decided about them before', () => {
    const before = { 7: { discount: '2026-02-10', writeOff: true }, 9: { discount: refused } };
    expect(chosenOf([7, 8], before)).toEqual({ 7: before[7], 8: { discount: proposed } });
  });

  it('names the step that is granted, and none where the discount is refused', () => {
    expect(paymentItems({ 7: { discount: '2026-02-10' }, 9: { discount: refused, writeOff: false } })).toEqual([
      { id: 7, discount: 'grant', step: '2026-02-10', writeOff: undefined },
      { id: 9, discount: 'refuse', step: undefined, writeOff: false },
    ]);
  });

  it('is decided where something was chosen otherwise than it is proposed', () => {
    expect(isDecided({ 7: { discount: proposed }, 9: { discount: proposed, writeOff: false } })).toBe(false);
    for (const chosen of [{ discount: refused }, { discount: proposed, dispute: true }, { discount: '2026-02-10' }])
      expect(isDecided({ 7: { discount: proposed }, 9: chosen })).toBe(true);
  });
});
