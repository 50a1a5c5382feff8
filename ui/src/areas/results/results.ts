import { queryOptions } from '@tanstack/react-query';
import { api, dataOf, type Schema } from '../../api/client';
import { keys } from '../../api/keys';

export type Results = Schema['Results'];
export type SittingRow = Schema['SittingRow'];

/** While somebody sits, what stands here is asked for again. */
const AGAIN = 15_000;

export const resultsQuery = (edition: number) =>
  queryOptions({
    queryKey: keys.results(edition),
    queryFn: () => dataOf(api.GET('/editions/{id}/results', { params: { path: { id: edition } } })),
    refetchInterval: ({ state }) => (state.data?.sittings.some(({ ended }) => ended === null) ? AGAIN : false),
    gcTime: 0,
  });

/** By what sittings can be put in order. */
export const orders = {
  candidate: (row: SittingRow) => row.candidate,
  began: (row: SittingRow) => row.began ?? '',
  took: (row: SittingRow) => row.seconds ?? -1,
  points: (row: SittingRow) => (row.earned === null ? -1e9 : Number(row.earned)),
  '%': (row: SittingRow) => (row.percent === null ? -1e9 : Number(row.percent)),
  passed: (row: SittingRow) => (row.passed === null ? 2 : row.passed ? 1 : 0),
} as const;

export interface Order {
  by: keyof typeof orders;
  down: boolean;
}

export const kinds = [
  { value: 'all', words: 'all sittings' },
  { value: 'running', words: 'being sat now' },
  { value: 'passed', words: 'passed' },
  { value: 'not passed', words: 'not passed' },
] as const;
export type Kind = (typeof kinds)[number]['value'];

const isOf: Record<Kind, (row: SittingRow) => boolean> = {
  all: () => true,
  running: (row) => row.ended === null,
  passed: (row) => row.passed === true,
  'not passed': (row) => row.passed === false,
};

/** The sittings that are looked at, in their order; where two are alike the later one comes first. */
export function shown(rows: SittingRow[], kind: Kind, name: string, { by, down }: Order): SittingRow[] {
  const letters = name.trim().toLowerCase();
  const value = orders[by];
  return rows
    .filter((row) => isOf[kind](row) && `${row.candidate} ${row.login}`.toLowerCase().includes(letters))
    .toSorted((a, b) => {
      const [x, y] = [value(a), value(b)];
      const way = x < y ? -1 : x > y ? 1 : 0;
      return (down ? -way : way) || b.id - a.id;
    });
}

/** Percent of those that ended, from the lowest to the highest, and in the middle. */
export function spread(rows: SittingRow[]): { least: number; middle: number; most: number } | null {
  const all = rows.flatMap(({ percent }) => (percent === null ? [] : [Number(percent)])).toSorted((a, b) => a - b);
  const at = (share: number) => all[Math.round(share * (all.length - 1))] ?? 0;
  return all.length === 0 ? null : { least: at(0), middle: at(0.5), most: at(1) };
}
