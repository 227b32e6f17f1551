import { keepPreviousData, useInfiniteQuery } from '@tanstack/react-query';
import { listAccountsInfiniteOptions } from '../../api/generated/@tanstack/react-query.gen';

export const pageSize = 100;

/** The conditions of the board beyond its quick filters. All of them must hold. */
export const conditions = [
  'owner',
  'group',
  'state',
  'utilisationFrom',
  'utilisationTo',
  'overdueFrom',
  'ageFrom',
  'reviewBy',
  'promise',
  'field',
] as const;
export type Condition = (typeof conditions)[number];

/** What the board shows; it lives in the address, so that it can be shared and comes back after a reload. */
export interface BoardView extends Partial<Record<Condition, string>> {
  sort: string;
  filter: string;
  q: string;
  asOf: string;
  since?: string;
}

export function readView(search: URLSearchParams): BoardView {
  const given = conditions.flatMap((c) => {
    const value = search.get(c);
    return value ? [[c, value] as const] : [];
  });
  return {
    sort: search.get('sort') ?? 'headroom',
    filter: search.get('filter') ?? '',
    q: search.get('q') ?? '',
    asOf: search.get('asOf') ?? '',
    since: search.get('since') ?? '',
    ...Object.fromEntries(given),
  };
}

/** The view as the interface asks for it; empty parts are left out. */
export const asQuery = (view: BoardView): Record<string, string> =>
  Object.fromEntries(
    Object.entries(view).filter((entry): entry is [string, string] => typeof entry[1] === 'string' && entry[1] !== ''),
  );

/** The same with its numbers as numbers. What is none goes as it was typed, so that the answer can name it. */
export const asRequest = (view: BoardView) => {
  const { ageFrom, ...rest } = asQuery(view);
  return { ...rest, ...(ageFrom ? { ageFrom: (/^\d+$/.test(ageFrom) ? Number(ageFrom) : ageFrom) as number } : {}) };
};

export const useBoard = (view: BoardView) =>
  useInfiniteQuery({
    ...listAccountsInfiniteOptions({ query: { ...asRequest(view), pageSize } }),
    initialPageParam: 1,
    getNextPageParam: (last, all) => (all.length * pageSize < last.total ? all.length + 1 : undefined),
    placeholderData: keepPreviousData,
  });

const kept = 'last-board';

/** Remembers the view, so that the list beside an account is the one it was opened from. */
export const keepView = (view: BoardView) => sessionStorage.setItem(kept, JSON.stringify(view));

export function lastView(): BoardView {
  const stored = sessionStorage.getItem(kept);
  return stored ? (JSON.parse(stored) as BoardView) : readView(new URLSearchParams());
}

/** The address of the board as it was last seen. */
export const lastBoard = () => `/accounts?${new URLSearchParams(asQuery(lastView())).toString()}`;
