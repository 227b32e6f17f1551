import { useInfiniteQuery } from '@tanstack/react-query';
import { listAccounts } from '../../api/generated';
import { answer } from '../../api/problem';

export const pageSize = 100;

/** What the board shows; it lives in the address, so that it can be shared and comes back after a reload. */
export interface BoardView {
  sort: string;
  filter: string;
  q: string;
  asOf: string;
}

export function readView(search: URLSearchParams): BoardView {
  return {
    sort: search.get('sort') ?? 'headroom',
    filter: search.get('filter') ?? '',
    q: search.get('q') ?? '',
    asOf: search.get('asOf') ?? '',
  };
}

export const asQuery = (view: BoardView) => ({
  sort: view.sort,
  ...(view.filter ? { filter: view.filter } : {}),
  ...(view.q ? { q: view.q } : {}),
  ...(view.asOf ? { asOf: view.asOf } : {}),
});

export const useBoard = (view: BoardView) =>
  useInfiniteQuery({
    queryKey: ['board', view],
    queryFn: ({ pageParam }) => answer(listAccounts({ query: { ...asQuery(view), page: pageParam, pageSize } })),
    initialPageParam: 1,
    getNextPageParam: (last, all) => (all.length * pageSize < last.total ? all.length + 1 : undefined),
    placeholderData: (former) => former,
  });

const kept = 'last-board';

/** Remembers the view, so that the list beside an account is the one it was opened from. */
export const keepView = (view: BoardView) => sessionStorage.setItem(kept, JSON.stringify(view));

export function lastView(): BoardView {
  const stored = sessionStorage.getItem(kept);
  return stored ? (JSON.parse(stored) as BoardView) : readView(new URLSearchParams());
}
