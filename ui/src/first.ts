import type { QueryClient } from '@tanstack/react-query';
import { banksQuery, batchesQuery, blueprintsQuery, boardQuery, meQuery, myAssessmentsQuery, pagesQuery } from './api/queries';

/** Asks for what the first screen shows while its code is still on the way. What could not be had is asked for again by the screen. */
export async function askFirst(queries: QueryClient, path: string): Promise<void> {
  const { account } = await queries.query({ ...meQuery(), staleTime: 'static' });
  if (!account) return;
  if (account.role === 'candidate') {
    await queries.query(myAssessmentsQuery());
    return;
  }
  const [, id, rest = ''] = /^\/banks\/(\d+)(\/.*)?$/.exec(path) ?? [];
  const banks = queries.query({ ...banksQuery(), staleTime: 'static' });
  const bank = id === undefined ? (await banks).banks[0]?.id : Number(id);
  if (bank === undefined) return;
  const shown = {
    '': [boardQuery(bank), blueprintsQuery(bank), batchesQuery(bank)],
    '/questions': [boardQuery(bank)],
    '/blueprints': [blueprintsQuery(bank)],
    '/pages': [pagesQuery(bank)],
  }[rest.replace(/\/$/, '')];
  await Promise.all([banks, ...(shown ?? []).map((query) => queries.query(query as ReturnType<typeof boardQuery>))]);
}
