import { keepPreviousData, useInfiniteQuery } from '@tanstack/react-query';
import type { AgeingKind } from '../../api/generated';
import { getAgeingInfiniteOptions } from '../../api/generated/@tanstack/react-query.gen';

const pageSize = 100;

/** What an ageing shows; it lives in the address. */
export interface AgeingView {
  by: string;
  field: string;
  basis: string;
  asOf: string;
  since: string;
  sort: string;
}

export const readAgeing = (search: URLSearchParams): AgeingView => ({
  by: search.get('by') ?? 'owner',
  field: search.get('field') ?? '',
  basis: search.get('basis') ?? '',
  asOf: search.get('asOf') ?? '',
  since: search.get('since') ?? '',
  sort: search.get('sort') ?? '',
});

/** The view as the interface asks for it; empty parts are left out. */
export const ageingQuery = (view: object): Record<string, string> =>
  Object.fromEntries(
    Object.entries(view).filter((part): part is [string, string] => typeof part[1] === 'string' && part[1] !== ''),
  );

/** One line of an ageing: the accounts with one value of its key, in one currency. */
export interface Within {
  within: string;
  currency: string;
}

/** The accounts of a line, as the interface asks for them. */
export const within = (by: AgeingKind, field: string, key: string, currency: string): Within => ({
  within: `${by === 'field' ? `field.${field}` : by}:${key}`,
  currency,
});

export const useAgeing = (query: Record<string, string>, enabled = true) =>
  useInfiniteQuery({
    ...getAgeingInfiniteOptions({ query: { ...query, pageSize } }),
    initialPageParam: 1,
    getNextPageParam: (last, all) => (all.length * pageSize < last.total ? all.length + 1 : undefined),
    placeholderData: keepPreviousData,
    enabled,
  });
