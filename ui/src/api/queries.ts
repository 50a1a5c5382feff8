import { keys } from './keys';
import { queryOptions } from '@tanstack/react-query';
import { api, setWhose, dataOf } from './client';

// What several screens ask for, each under one key.

export const meQuery = () =>
  queryOptions({
    queryKey: keys.me(),
    queryFn: async () => {
      const me = await dataOf(api.GET('/me'));
      setWhose(me.account?.id ?? null);
      return me;
    },
    staleTime: Infinity,
  });

export const banksQuery = () => queryOptions({ queryKey: keys.banks(), queryFn: () => dataOf(api.GET('/banks')) });

export const boardQuery = (bank: number) =>
  queryOptions({ queryKey: keys.board(bank), queryFn: () => dataOf(api.GET('/banks/{id}/board', { params: { path: { id: bank } } })) });

export const blueprintsQuery = (bank: number) =>
  queryOptions({
    queryKey: keys.blueprints(bank),
    queryFn: () => dataOf(api.GET('/banks/{id}/blueprints', { params: { path: { id: bank } } })),
  });

export const batchesQuery = (bank: number) =>
  queryOptions({ queryKey: keys.batches(bank), queryFn: () => dataOf(api.GET('/banks/{id}/batches', { params: { path: { id: bank } } })) });

export const pagesQuery = (bank: number) =>
  queryOptions({ queryKey: keys.pages(bank), queryFn: () => dataOf(api.GET('/banks/{id}/pages', { params: { path: { id: bank } } })) });

export const poolsQuery = (bank: number) =>
  queryOptions({ queryKey: keys.pools(bank), queryFn: () => dataOf(api.GET('/banks/{id}/pools', { params: { path: { id: bank } } })) });

export const myAssessmentsQuery = () => queryOptions({ queryKey: keys.mine(), queryFn: () => dataOf(api.GET('/my-assessments')) });
