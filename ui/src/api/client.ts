import createClient from 'openapi-fetch';
import type { components, paths } from './schema';

export type Schema = components['schemas'];
export type Problem = Schema['Problem'] & { current?: unknown };

/** An error as the server tells it: problem details, or that there was no answer at all. */
export class ApiError extends Error {
  constructor(readonly problem: Problem) {
    super(problem.detail);
  }

  /** Nobody is logged in here any more, or somebody else: what was typed waits until its own person has logged in again. */
  get isLogIn(): boolean {
    return ['urn:zetema:problem:log-in', 'urn:zetema:problem:other-account'].includes(this.problem.type);
  }

  get isStale(): boolean {
    return this.problem.type === 'urn:zetema:problem:stale';
  }

  get isOffline(): boolean {
    return this.problem.status === 0;
  }

  /** It may work later with no change: no answer, or a fault of the server. */
  get maySucceedLater(): boolean {
    return this.isOffline || this.problem.status >= 500;
  }
}

const noAnswer: Problem = {
  type: 'urn:zetema:problem:offline',
  title: 'No connection',
  status: 0,
  detail: 'The server does not answer. What you typed is kept here; try again when the connection is back.',
};

export const api = createClient<paths>({ baseUrl: '/api', headers: { 'X-Zetema': '1' } });

/** Whose page this is; every request says so, and nothing is done in anybody else's name. */
let whose: number | null = null;
api.use({
  onRequest: ({ request }) => {
    if (whose !== null) request.headers.set('X-Zetema-Account', String(whose));
    return request;
  },
});

export function setWhose(account: number | null) {
  whose = account;
}

export const ownHeaders = (): Record<string, string> => ({ 'X-Zetema': '1', ...(whose !== null && { 'X-Zetema-Account': String(whose) }) });

/** The data of an answer, or an ApiError. */
export async function dataOf<T>(answer: Promise<{ data?: T; error?: unknown; response: Response }>): Promise<T> {
  let result;
  try {
    result = await answer;
  } catch {
    throw new ApiError(noAnswer);
  }
  if (result.data !== undefined) return result.data;
  const error = result.error;
  if (typeof error === 'object' && error !== null && 'detail' in error) throw new ApiError(error as Problem);
  throw new ApiError({ ...noAnswer, status: result.response.status });
}

/** What to tell about an error, in words. */
export function errorWords(error: unknown): string {
  return error instanceof Error ? error.message : 'Something went wrong; please try again.';
}
