import { infiniteQueryOptions, keepPreviousData } from '@tanstack/react-query';
import { api, dataOf, type Schema } from '../../api/client';
import { keys } from '../../api/keys';

export type Results = Schema['Results'];
export type SittingRow = Schema['SittingRow'];

/** While somebody sits, what stands here is asked for again. */
const AGAIN = 15_000;

/** By what sittings can be put in order. */
export const orders = ['candidate', 'began', 'took', 'points', '%', 'passed'] as const;

export interface Order {
  by: (typeof orders)[number];
  down: boolean;
}

export const kinds = [
  { value: 'all', words: 'all sittings' },
  { value: 'running', words: 'being sat now' },
  { value: 'passed', words: 'passed' },
  { value: 'not passed', words: 'not passed' },
] as const;
export type Kind = (typeof kinds)[number]['value'];

/** The sittings of an edition that are asked for, page by page. */
export const resultsQuery = (edition: number, kind: Kind, name: string, { by, down }: Order) =>
  infiniteQueryOptions({
    queryKey: keys.results(edition, `${kind} ${by} ${String(down)} ${name}`),
    queryFn: ({ pageParam: from }) =>
      dataOf(
        api.GET('/editions/{id}/results', { params: { path: { id: edition }, query: { kind, name, by, down: down ? '1' : '0', from } } }),
      ),
    initialPageParam: 0,
    getNextPageParam: (last, pages) => {
      const told = pages.reduce((sum, { sittings }) => sum + sittings.length, 0);
      return told < last.fit && last.sittings.length > 0 ? told : undefined;
    },
    placeholderData: keepPreviousData,
    refetchInterval: ({ state }) => {
      const sums = state.data?.pages[0]?.sums;
      return sums && sums.ended < sums.sittings ? AGAIN : false;
    },
    gcTime: 0,
  });
