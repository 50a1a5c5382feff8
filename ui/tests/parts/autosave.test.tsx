import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { act, cleanup, renderHook } from '@testing-library/react';
import type { ReactNode } from 'react';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { ApiError } from '../../src/api/client';
import { useAutosave, waitBefore } from '../../src/parts/hooks/useAutosave';

interface Page {
  version: number;
  text: string;
  note: string;
}

const problem = (status: number, type: string, current?: Page) =>
  new ApiError({ type: `urn:zetema:problem:${type}`, title: '', status, detail: type, current });

/** A server with one page: it can be out of reach, want a log-in, be changed by others, or answer only when told to. */
class Server {
  page: Page = { version: 1, text: 'as it was', note: '' };
  fault: ApiError | null = null;
  holds = false;
  /** once: it saves, and its answer does not arrive */
  loses = false;
  saves: string[] = [];
  kept: boolean[] = [];
  private waiting: (() => void)[] = [];

  async save(change: Partial<Page>, version: number, keepalive: boolean): Promise<Page> {
    this.saves.push(JSON.stringify(change));
    this.kept.push(keepalive);
    if (this.holds) await new Promise<void>((answer) => this.waiting.push(answer));
    if (this.fault) throw this.fault;
    if (version !== this.page.version) throw problem(409, 'stale', { ...this.page });
    this.page = { ...this.page, ...change, version: version + 1 };
    if (this.loses) {
      this.loses = false;
      throw problem(0, 'offline');
    }
    return { ...this.page };
  }

  answer() {
    this.waiting.shift()?.();
  }

  others(change: Partial<Page>) {
    this.page = { ...this.page, ...change, version: this.page.version + 1 };
  }
}

const shelf = 'zetema:test';
let server: Server;

function open(page = { ...server.page }, part: 'text' | 'note' = 'text', versionRef = { current: page.version }, restoreAtOnce = true) {
  const queries = new QueryClient();
  const wrapper = ({ children }: { children: ReactNode }) => <QueryClientProvider client={queries}>{children}</QueryClientProvider>;
  const options = {
    thing: 'page:1',
    shelf: part === 'text' ? shelf : `${shelf}:note`,
    initial: page[part],
    versionRef,
    save: (value: string, version: number, keepalive: boolean) => server.save({ [part]: value }, version, keepalive),
    versionOf: (saved: Page) => saved.version,
    valueOf: (saved: Page) => saved[part],
    restoreAtOnce,
  };
  return { ...renderHook(() => useAutosave<string, Page>(options), { wrapper }), versionRef };
}

const after = async (ms: number) => {
  await act(() => vi.advanceTimersByTimeAsync(ms));
  await act(() => vi.advanceTimersByTimeAsync(5)); // what was answered is told
};
const type = async (opened: ReturnType<typeof open>, text: string) => {
  act(() => opened.result.current.put(text));
  await after(0);
};

beforeEach(() => {
  vi.useFakeTimers();
  vi.spyOn(Math, 'random').mockReturnValue(0.5);
  localStorage.clear();
  server = new Server();
});
afterEach(() => {
  cleanup();
  vi.restoreAllMocks();
  vi.useRealTimers();
});

describe('what saves itself', () => {
  it('takes a save for done whose answer was lost on the way', async () => {
    const opened = open();
    server.loses = true;
    await type(opened, 'written');
    await after(700);
    expect(opened.result.current.isUnsaved).toBe(true);
    await after(60_000);
    const { isUnsaved, theirs, error } = opened.result.current;
    expect([server.page.text, isUnsaved, theirs, error, opened.versionRef.current]).toEqual(['written', false, undefined, null, 2]);
    await type(opened, 'and more');
    await after(700);
    expect([server.page.text, server.page.version]).toEqual(['and more', 3]);
  });

  it('saves the latest once, a moment after the last letter', async () => {
    const opened = open();
    for (const text of ['a', 'ab', 'abc']) await type(opened, text);
    expect([server.saves.length, opened.result.current.isUnsaved]).toEqual([0, true]);
    await after(700);

    expect(server.saves).toEqual(['{"text":"abc"}']);
    expect([opened.result.current.isUnsaved, localStorage.getItem(shelf)]).toEqual([false, null]);
  });

  it('sends what was typed while it was saving afterwards, over the new version', async () => {
    const opened = open();
    server.holds = true;
    await type(opened, 'first');
    await after(700);
    await type(opened, 'first and more');
    await after(700);
    expect(server.saves).toHaveLength(1);
    server.holds = false;
    server.answer();
    await after(0);

    expect([server.page.text, server.page.version]).toEqual(['first and more', 3]);
  });

  it('tries again by itself while the server is out of reach, and keeps the text meanwhile', async () => {
    const opened = open();
    server.fault = problem(0, 'offline');
    await type(opened, 'not lost');
    await after(10_000);
    expect(server.saves.length).toBeGreaterThan(2);
    expect(localStorage.getItem(shelf)).toBe('{"value":"not lost","version":1}');
    server.fault = null;
    await after(30_000);

    expect([server.page.text, opened.result.current.error, localStorage.getItem(shelf)]).toEqual(['not lost', null, null]);
  });

  it('waits longer each time, up to half a minute, and not the same for everybody', () => {
    expect([0, 1, 2, 20].map((n) => Math.round(waitBefore(n, 0.5) * 10) / 10)).toEqual([1.5, 2.6, 4.3, 30]);
    expect(waitBefore(3, 0)).toBeLessThan(waitBefore(3, 1));
  });

  it('does not knock at a door that asks for a log-in, and saves once somebody is logged in again', async () => {
    const opened = open();
    server.fault = problem(401, 'log-in');
    await type(opened, 'typed before');
    await after(60_000);
    expect(server.saves).toHaveLength(1);
    server.fault = null;
    window.dispatchEvent(new Event('zetema:logged-in'));
    await after(0);

    expect(server.page.text).toBe('typed before');
  });

  it('shows both versions where somebody saved the same meanwhile, and loses neither', async () => {
    const opened = open();
    server.others({ text: 'theirs' });
    await type(opened, 'mine');
    await after(700);
    expect(opened.result.current.theirs?.text).toBe('theirs');
    expect([server.page.text, localStorage.getItem(shelf)]).toEqual(['theirs', '{"value":"mine","version":1}']);
    act(() => opened.result.current.saveMine());
    await after(0);

    expect([server.page.text, opened.result.current.theirs]).toEqual(['mine', undefined]);
  });

  it('goes on with theirs if that is wanted', async () => {
    const opened = open();
    server.others({ text: 'theirs' });
    await type(opened, 'mine');
    await after(700);
    act(() => opened.result.current.takeTheirs());
    await type(opened, 'theirs, and more');
    await after(700);

    expect([server.page.text, opened.result.current.error]).toEqual(['theirs, and more', null]);
  });

  it('saves without a word where somebody changed another part', async () => {
    const opened = open();
    server.others({ note: 'theirs' });
    await type(opened, 'mine');
    await after(700);

    expect([server.page, opened.result.current.error]).toEqual([{ version: 3, text: 'mine', note: 'theirs' }, null]);
  });

  it('saves the last letters on leaving', async () => {
    const opened = open();
    await type(opened, 'just typed');
    opened.unmount();
    await after(0);

    expect([server.page.text, server.kept]).toEqual(['just typed', [true]]);
  });

  it('finds unsaved text again after a reload, and saves it over what it was typed over', async () => {
    localStorage.setItem(shelf, '{"value":"from before","version":1}');
    const opened = open();
    expect([opened.result.current.value, opened.result.current.isRestored]).toEqual(['from before', true]);
    await after(0);
    expect(server.page.text).toBe('from before');
  });

  it('does not put restored text over what somebody saved since', async () => {
    localStorage.setItem(shelf, '{"value":"from before","version":1}');
    server.others({ text: 'newer' });
    const opened = open();
    await after(0);

    expect([server.page.text, opened.result.current.theirs?.text, opened.result.current.value]).toEqual(['newer', 'newer', 'from before']);
  });

  it('waits to be asked with restored text where that is wanted', async () => {
    localStorage.setItem(shelf, '{"value":"from before","version":1}');
    const opened = open(undefined, 'text', undefined, false);
    await after(5000);
    expect(server.saves).toEqual([]);
    act(() => opened.result.current.saveNow());
    await after(0);
    expect(server.page.text).toBe('from before');
  });

  it('reads a shelf that it cannot read as empty', () => {
    localStorage.setItem(shelf, '{broken');
    expect(open().result.current.value).toBe('as it was');
  });
});
