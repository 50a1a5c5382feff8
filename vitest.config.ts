import { defineConfig } from 'vitest/config';

// The reporter groups failures with what Node 20 does not have yet; without it a failing test would tell nothing but that.
(Map as { groupBy?: unknown }).groupBy ??= <K, T>(items: Iterable<T>, key: (item: T) => K) => {
  const groups = new Map<K, T[]>();
  for (const item of items) groups.set(key(item), [...(groups.get(key(item)) ?? []), item]);
  return groups;
};

// The interface's own logic, without a browser: what is pasted, typed, counted, looked up.
export default defineConfig({
  root: 'ui',
  test: {
    environment: 'jsdom',
    isolate: false,
    include: ['tests/**/*.test.ts', 'tests/**/*.test.tsx'],
    setupFiles: ['tests/patience.ts'],
    testTimeout: 180_000,
  },
});
