import { readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import { isTouched, ofAccount, ofAccounts, ofCompany, ofPolicies, ofUsers, ofViews, restsOn } from './changes';

interface Operation {
  operationId: string;
  responses: Record<string, { content?: Record<string, unknown> }>;
}

const description = JSON.parse(readFileSync('openapi.json', 'utf8')) as {
  paths: Record<string, { get?: Operation }>;
};
/** The questions that are answered as JSON; the others are files that are downloaded. */
const questions = Object.values(description.paths)
  .flatMap((path) => (path.get ? [path.get] : []))
  .filter((get) => get.responses['200']?.content?.['application/json'])
  .map((get) => get.operationId);
const key = (_id: string, path?: object) => [{ _id, path }];
const touched = (change: Parameters<typeof isTouched>[1]) => questions.filter((q) => isTouched(key(q), change));

describe('what is read again after a change', () => {
  it('knows what each question of the interface rests on', () => {
    expect(questions.length).toBeGreaterThan(40);
    expect(Object.keys(restsOn).sort()).toEqual([...questions].sort());
  });

  it('is the account that was changed and no other one', () => {
    const change = ofAccount('HAR01');
    expect(isTouched(key('getAccount', { code: 'HAR01' }), change)).toBe(true);
    expect(isTouched(key('getSettlement', { code: 'har01' }), change)).toBe(true);
    expect(isTouched(key('getAccount', { code: 'OXB01' }), change)).toBe(false);
    expect(isTouched(key('getAccount', { code: 'OXB01' }), ofAccounts)).toBe(true);
  });

  it('is the board, Today and the group, whose answers name no one account', () => {
    const change = ofAccount('HAR01');
    for (const question of ['listAccounts', 'getToday', 'listOrders', 'listPostings', 'find'])
      expect(isTouched(key(question), change)).toBe(true);
    expect(isTouched(key('getGroup', { name: 'Oxbow' }), change)).toBe(true);
    expect(isTouched(key('getOrder', { id: 7 }), change)).toBe(true);
  });

  it('leaves settings alone after a posting, and the books after a view or a user', () => {
    for (const question of ['getCompany', 'listUsers', 'listViews', 'listChoices', 'getSession'])
      expect(isTouched(key(question), ofAccount('HAR01'))).toBe(false);
    expect(touched(ofViews)).toEqual(['listViews']);
    expect(touched(ofUsers).sort()).toEqual(['getSettingUp', 'getUserChanges', 'listKeys', 'listSignIns', 'listUsers']);
  });

  it('is all that is computed after a policy or a setting', () => {
    for (const question of ['listAccounts', 'getAccount', 'getSettlement', 'proposeReminder', 'listTerms'])
      for (const change of [ofPolicies, ofCompany]) expect(isTouched(key(question), change)).toBe(true);
    expect(isTouched(key('getCompany'), ofPolicies)).toBe(false);
  });

  it('leaves alone what it does not know', () => {
    expect(isTouched([], ofAccounts)).toBe(false);
    expect(isTouched(['something'], ofAccounts)).toBe(false);
  });
});
