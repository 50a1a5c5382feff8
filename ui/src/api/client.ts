import createClient from 'openapi-fetch';
import type { components, paths } from './schema';

export type Schema = components['schemas'];
export type Problem = Schema['Problem'] & { current?: unknown };

/** An error as the server tells it: problem details, or that there was no answer at all. */
export class ApiError extends Error {
  constructor(readonly problem: Problem) {
    super(problem.detail);
  }

  get isLogIn(): boolean {
    return this.problem.type === 'urn:zetema:problem:log-in';
  }

  get isStale(): boolean {
    return this.problem.type === 'urn:zetema:problem:stale';
  }

  get isOffline(): boolean {
    return this.problem.status === 0;
  }
}

const noAnswer: Problem = {
  type: 'urn:zetema:problem:offline',
  title: 'No connection',
  status: 0,
  detail: 'The server does not answer. What you typed is kept here; try again when the connection is back.',
};

export const api = createClient<paths>({ baseUrl: '/api', headers: { 'X-Zetema': '1' } });

/** The data of an answer, or an ApiError. */
export async function take<T>(answer: Promise<{ data?: T; error?: unknown; response: Response }>): Promise<T> {
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
export function inWords(error: unknown): string {
  return error instanceof Error ? error.message : 'Something went wrong; please try again.';
}
