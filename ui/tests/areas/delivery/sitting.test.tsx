import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { act, cleanup, renderHook } from '@testing-library/react';
import type { ReactNode } from 'react';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { api } from '../../../src/api/client';
import { type Sitting, useSecondsLeft, useSitting } from '../../../src/areas/delivery/useSitting';

interface Sent {
  request: string;
  on: number;
  type: string;
  sheet?: number;
  response?: unknown;
}

/** A server with one sitting: it counts events, and can be out of reach, want a log-in, or have been written to by another window. */
class Server {
  events = 1;
  sent: Sent[] = [];
  known = new Set<string>();
  fault: { status: number; type: string } | 'offline' | 'answer lost' | null = null;

  sitting = () => ({ id: 7, events: this.events, phase: 'running', questions: [] });

  /** What the client's answers look like: data, or an error with its status. */
  async post(event: Sent) {
    const told = (status: number, error?: object) => ({
      ...(error ? { error } : { data: this.sitting() }),
      response: new Response(null, { status }),
    });
    const problem = (status: number, type: string, detail: string, current?: object) =>
      told(status, { type: `urn:zetema:problem:${type}`, title: '', status, detail, current });
    this.sent.push(event);
    await Promise.resolve();
    if (this.fault === 'offline') throw new TypeError('failed to fetch');
    if (typeof this.fault === 'object' && this.fault) return problem(this.fault.status, this.fault.type, this.fault.type);
    if (!this.known.has(event.request)) {
      if (event.on !== this.events) return problem(409, 'stale', 'Another window was quicker.', this.sitting());
      this.events += 1;
      this.known.add(event.request);
    }
    if (this.fault === 'answer lost') throw new TypeError('failed to fetch');
    return told(200);
  }
}

let server: Server;
const shelf = 'zetema:sitting:7';
const shelved = () =>
  (JSON.parse(localStorage.getItem(shelf) ?? '[]') as Sent[]).map(({ type, sheet, response }) => [type, sheet, response]);

async function open() {
  const queries = new QueryClient({ defaultOptions: { queries: { retry: false } } });
  const wrapper = ({ children }: { children: ReactNode }) => <QueryClientProvider client={queries}>{children}</QueryClientProvider>;
  const opened = renderHook(() => useSitting(7), { wrapper });
  await settle();
  return opened;
}
/** All that can be answered now is answered. */
const settle = async (ms = 0) => {
  for (let i = 0; i < 6; i++) await act(() => vi.advanceTimersByTimeAsync(i === 0 ? ms : 0));
};

beforeEach(() => {
  vi.useFakeTimers();
  localStorage.clear();
  server = new Server();
  vi.spyOn(api, 'GET').mockImplementation((() => Promise.resolve({ data: server.sitting(), response: new Response() })) as never);
  vi.spyOn(api, 'POST').mockImplementation(((_: string, { body }: { body: Sent }) => server.post(body)) as never);
});
afterEach(() => {
  cleanup();
  vi.restoreAllMocks();
  vi.useRealTimers();
});

describe('what is done in a sitting', () => {
  it('is sent one by one, each on what the one before led to', async () => {
    const { result } = await open();
    act(() => {
      result.current.act('saved', 1, { choose: [2] });
      result.current.act('flagged', 1);
      result.current.act('checked', 1, { choose: [2] });
    });
    await settle();
    expect(server.sent.map(({ type, on }) => [type, on])).toEqual([
      ['saved', 1],
      ['flagged', 2],
      ['checked', 3],
    ]);
    expect([result.current.saved, shelved()]).toEqual(['saved', []]);
  });

  it('waits in the browser without a connection, and then counts once', async () => {
    const { result } = await open();
    server.fault = 'offline';
    act(() => result.current.act('saved', 1, { choose: [2] }));
    await settle();
    expect([result.current.saved, shelved()]).toEqual(['waiting', [['saved', 1, { choose: [2] }]]]);
    server.fault = null;
    await settle(3000);
    expect([result.current.saved, shelved(), server.events]).toEqual(['saved', [], 2]);
    expect(new Set(server.sent.map(({ request }) => request)).size).toBe(1);
  });

  it('counts once, too, when only the answer was lost', async () => {
    const { result } = await open();
    server.fault = 'answer lost';
    act(() => result.current.act('saved', 1, { choose: [2] }));
    await settle();
    server.fault = null;
    await settle(3000);
    expect([server.sent.length, server.events, result.current.saved, result.current.notice]).toEqual([2, 2, 'saved', null]);
  });

  it('sends the newest text of a question alone, where older ones still waited', async () => {
    const { result } = await open();
    server.fault = 'offline';
    for (const text of ['v', 'va', 'var']) act(() => result.current.act('saved', 2, { text }));
    await settle();
    act(() => result.current.act('saved', 3, { text: 'x' }));
    expect(result.current.waitingFor(2)?.response).toEqual({ text: 'var' });
    server.fault = null;
    await settle(3000);
    expect([server.sent.at(-2)?.response, server.sent.at(-1)?.response]).toEqual([{ text: 'var' }, { text: 'x' }]);
    expect(server.sent.filter(({ sheet }) => sheet === 2).length).toBeLessThanOrEqual(3);
    expect([shelved(), result.current.waitingFor(2)]).toEqual([[], undefined]);
  });

  it('is still there when the page is opened again', async () => {
    const first = await open();
    server.fault = 'offline';
    act(() => first.result.current.act('saved', 1, { choose: [2] }));
    await settle();
    first.unmount();
    server.fault = null;
    const { result } = await open();
    await settle();
    expect([server.events, shelved(), result.current.saved]).toEqual([2, [], 'saved']);
  });

  it('is dropped with a word where another window was quicker, and what stands is shown', async () => {
    const { result } = await open();
    server.events = 5;
    act(() => result.current.act('saved', 1, { choose: [2] }));
    await settle();
    expect([result.current.notice, result.current.dropped, result.current.sitting.data?.events, shelved()]).toEqual([
      'Another window was quicker.',
      1,
      5,
      [],
    ]);
    act(() => result.current.act('saved', 1, { choose: [1] }));
    await settle();
    expect([server.events, result.current.notice]).toEqual([6, null]);
  });

  it('waits for a log-in, and is sent after it', async () => {
    const { result } = await open();
    let asked = 0;
    const ask = () => asked++;
    window.addEventListener('zetema:log-in', ask);
    server.fault = { status: 401, type: 'log-in' };
    act(() => result.current.act('saved', 1, { choose: [2] }));
    await settle();
    expect([asked, result.current.saved, result.current.why]).toEqual([
      1,
      'waiting',
      'It is kept here and sent as soon as you have logged in again.',
    ]);
    server.fault = null;
    act(() => {
      window.dispatchEvent(new Event('zetema:logged-in'));
    });
    await settle();
    expect([server.events, result.current.saved, result.current.why]).toEqual([2, 'saved', null]);
    window.removeEventListener('zetema:log-in', ask);
  });

  it('tells what the server says when it has a fault, and tries again', async () => {
    const { result } = await open();
    server.fault = { status: 503, type: 'The disk is full.' };
    act(() => result.current.act('saved', 1, { choose: [2] }));
    await settle();
    expect([result.current.saved, result.current.why]).toEqual(['waiting', 'The disk is full.']);
    server.fault = null;
    await settle(3000);
    expect([result.current.saved, server.events]).toEqual(['saved', 2]);
  });
});

describe('the clock on the page', () => {
  const running = (now: number, deadline: number | null, phase = 'running') => ({ now, deadline, phase }) as unknown as Sitting;

  it('counts by the server’s time, whatever the browser’s clock says', () => {
    vi.setSystemTime(new Date('2001-01-01'));
    const { result } = renderHook(() => useSecondsLeft(running(1_000_000, 1_060_000), 1_060_000));
    expect(result.current).toBe(60);
    act(() => {
      vi.advanceTimersByTime(15_000);
    });
    expect(result.current).toBe(45);
  });

  it('stands at nothing when time is up, and asks what stands a moment later', () => {
    const zero = vi.fn();
    const { result } = renderHook(() => useSecondsLeft(running(1_000_000, 1_002_000), 1_002_000, zero));
    act(() => {
      vi.advanceTimersByTime(4_000);
    });
    expect([result.current, zero.mock.calls.length]).toEqual([0, 0]);
    act(() => {
      vi.advanceTimersByTime(2_000);
    });
    expect(zero).toHaveBeenCalled();
  });

  it.each([
    ['without a limit', running(1, null), null],
    ['before it has begun', running(1, 2, 'not begun'), 2],
    ['before it is known', undefined, 2],
  ])('shows nothing %s', (_, sitting, ends) => {
    expect(renderHook(() => useSecondsLeft(sitting, ends)).result.current).toBeNull();
  });
});
