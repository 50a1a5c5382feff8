import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { act, render } from '@testing-library/react';
import type { ReactNode } from 'react';
import { MemoryRouter, Route, Routes, useLocation } from 'react-router';
import { vi } from 'vitest';
import { api } from '../src/api/client';

interface Call {
  method: string;
  path: string;
  body?: unknown;
  query?: Record<string, unknown>;
}
type Answer = object | { refuse: number; detail: string; type?: string; current?: object };

/** The API with what it answers, by method and path, and what it was asked. */
export class Served {
  calls: Call[] = [];
  constructor(readonly answers: Record<string, Answer | ((call: Call) => Answer)>) {
    for (const method of ['GET', 'PUT', 'POST', 'DELETE'] as const) {
      vi.spyOn(api, method).mockImplementation(((
        path: string,
        init: { params?: { query?: Record<string, unknown> }; body?: unknown } = {},
      ) =>
        Promise.resolve(
          this.answer({
            method,
            path,
            ...(init.body !== undefined && { body: init.body }),
            ...(init.params?.query && { query: init.params.query }),
          }),
        )) as never);
    }
  }

  private answer(call: Call) {
    this.calls.push(call);
    const known = this.answers[`${call.method} ${call.path}`];
    const told = typeof known === 'function' ? (known as (call: Call) => Answer)(call) : known;
    if (told === undefined)
      return {
        error: { type: 'urn:zetema:problem:not-found', title: '', status: 404, detail: `nothing under ${call.path}` },
        response: new Response(null, { status: 404 }),
      };
    if ('refuse' in told) {
      const { refuse, detail, type = 'malformed', current } = told as { refuse: number; detail: string; type?: string; current?: object };
      return {
        error: { type: `urn:zetema:problem:${type}`, title: '', status: refuse, detail, current },
        response: new Response(null, { status: refuse }),
      };
    }
    return { data: told, response: new Response() };
  }

  asked = (method: string, path: string) => this.calls.filter((call) => call.method === method && call.path === path);
}

/** Shows a page at an address; tells the address as it is. */
export async function at(address: string, path: string, page: ReactNode) {
  let location = address;
  function Where() {
    const { pathname, search } = useLocation();
    location = pathname + search;
    return null;
  }
  render(
    <QueryClientProvider client={new QueryClient({ defaultOptions: { queries: { retry: false } } })}>
      <MemoryRouter initialEntries={[address]}>
        <Where />
        <Routes>
          <Route path={path} element={page} />
          <Route path="*" element={<p>elsewhere</p>} />
        </Routes>
      </MemoryRouter>
    </QueryClientProvider>,
  );
  await settled();
  return { address: () => location };
}

/** All that was asked for is answered and shown: a few turns of the timers, however long they take. */
export const settled = async (ms = 0) => {
  await act(() => new Promise((done) => setTimeout(done, ms)));
  for (let turn = 0; turn < 10; turn++) await act(() => new Promise((done) => setTimeout(done, 0)));
};
