import { infiniteQueryOptions, keepPreviousData, useQueryClient } from '@tanstack/react-query';
import { useEffect, useRef } from 'react';
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

const asked = (edition: number, kind: Kind, name: string, { by, down }: Order, from: number) =>
  dataOf(api.GET('/editions/{id}/results', { params: { path: { id: edition }, query: { kind, name, by, down: down ? '1' : '0', from } } }));

/** The sittings of an edition that are asked for, page by page. */
export const resultsQuery = (edition: number, kind: Kind, name: string, order: Order) =>
  infiniteQueryOptions({
    queryKey: keys.results(edition, `${kind} ${order.by} ${String(order.down)} ${name}`),
    queryFn: ({ pageParam: from }) => asked(edition, kind, name, order, from),
    initialPageParam: 0,
    getNextPageParam: (last, pages) => {
      const told = startOf(pages, pages.length);
      return told < last.fit && last.sittings.length > 0 ? told : undefined;
    },
    placeholderData: keepPreviousData,
    gcTime: 0,
  });

const startOf = (pages: Results[], page: number) => pages.slice(0, page).reduce((sum, { sittings }) => sum + sittings.length, 0);

/**
 * While somebody sits, the page of the list that is in sight is asked for again, and with it the sums: the other pages, of which there
 * may be many, stay as they were.
 *
 * @param place which of so many pages is in sight
 */
export function useAsksAgain(edition: number, kind: Kind, name: string, order: Order, place: (pages: number) => number) {
  const queries = useQueryClient();
  const { queryKey } = resultsQuery(edition, kind, name, order);
  const data = queries.getQueryData(queryKey);
  const isSat = data?.pages[0] !== undefined && data.pages[0].sums.ended < data.pages[0].sums.sittings;
  const again = useRef<() => Promise<void>>(() => Promise.resolve());
  useEffect(() => {
    again.current = async () => {
      const pages = queries.getQueryData(queryKey)?.pages ?? [];
      const at = Math.min(pages.length - 1, Math.max(0, place(pages.length)));
      if (pages.length === 0 || window.document.hidden) return;
      const now = await asked(edition, kind, name, order, startOf(pages, at));
      queries.setQueryData(
        queryKey,
        (old) =>
          old && {
            ...old,
            pages: old.pages.map((page, i) => (i === at ? now : i === 0 ? { ...page, sums: now.sums, fit: now.fit, log: now.log } : page)),
          },
      );
    };
  });
  useEffect(() => {
    if (!isSat) return;
    const timer = window.setInterval(() => void again.current().catch(() => undefined), AGAIN);
    return () => window.clearInterval(timer);
  }, [isSat]);
}

/** Which of the pages of a list stands in the middle of the window. */
export function pageInSight(list: Element | null, pages: number): number {
  if (!list) return 0;
  const { top, height } = list.getBoundingClientRect();
  return height === 0 ? 0 : Math.floor(((window.innerHeight / 2 - top) / height) * pages);
}
