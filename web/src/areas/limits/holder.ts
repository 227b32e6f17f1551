import {
  changeGroupLimit,
  changeLimit,
  endGroupUplift,
  endUplift,
  grantGroupUplift,
  grantUplift,
  type SetLimitRequest,
} from '../../api/generated';
import { answer } from '../../api/problem';

/** What has a limit: an account by its code, or a group by its name. */
export type Holder = { name: string; currency: string; limit: string; exposure: string } & Key;

/** By what it is known. */
export type Key = { code: string; group?: undefined } | { code?: undefined; group: string };

export const setLimit = (of: Key, body: SetLimitRequest) =>
  of.code !== undefined
    ? answer(changeLimit({ path: { code: of.code }, body }))
    : answer(changeGroupLimit({ path: { name: of.group }, body }));

export const setUplift = (of: Key, body: SetLimitRequest) =>
  of.code !== undefined
    ? answer(grantUplift({ path: { code: of.code }, body }))
    : answer(grantGroupUplift({ path: { name: of.group }, body }));

/** Ends an uplift before its last day. */
export const endUpliftOf = (of: Key, id: number, reason: string): Promise<unknown> =>
  of.code !== undefined
    ? answer(endUplift({ path: { code: of.code, id }, body: { reason } }))
    : answer(endGroupUplift({ path: { name: of.group, id }, body: { reason } }));
