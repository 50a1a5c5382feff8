import { configure } from '@testing-library/react';
import { afterEach } from 'vitest';

// No test goes by the clock: a busy machine is slow, and only what never comes is wrong.
configure({ asyncUtilTimeout: 60_000 });

// What a test left for later would come in the middle of the next one on a busy machine: it ends with the test, as with a page that is closed.
type Timer = Parameters<typeof clearTimeout>[0];
const begun = ((globalThis as { begun?: Set<Timer> }).begun ??= watched());

function watched(): Set<Timer> {
  const timers = new Set<Timer>();
  for (const begin of ['setTimeout', 'setInterval'] as const) {
    const real = globalThis[begin] as (...args: unknown[]) => Timer;
    globalThis[begin] = ((...args: unknown[]) => {
      const timer = real(...args);
      timers.add(timer);
      return timer;
    }) as never;
  }
  return timers;
}

afterEach(() => {
  for (const timer of begun) clearTimeout(timer);
  begun.clear();
});

// Dates are read in tests as an English page shows them; other languages are spoken where a test says so.
Object.defineProperty(Object.getPrototypeOf(navigator) as object, 'language', { configurable: true, get: () => 'en-GB' });

// What opens beside something measures it there.
globalThis.ResizeObserver = class {
  observe() {}
  unobserve() {}
  disconnect() {}
};
