import { describe, expect, it } from 'vitest';
import { addressOf, orderOf } from './useToday';

describe('where an entry of Today leads', () => {
  it('is the account, or the group, whatever stands in its name', () => {
    expect(addressOf({ about: 'HAR01', ofGroup: false })).toBe('/accounts/HAR01');
    expect(addressOf({ about: 'Quay & Sons / North', ofGroup: true })).toBe('/groups/Quay%20%26%20Sons%20%2F%20North');
  });

  it('is the order that is held', () => expect(orderOf({ number: 12 })).toBe('/orders?id=12'));
});
