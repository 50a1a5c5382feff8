import { defineConfig } from 'vitest/config';

// The interface's own logic, without a browser: what is pasted, typed, counted, looked up.
export default defineConfig({
  root: 'ui',
  test: { environment: 'jsdom', isolate: false, include: ['tests/**/*.test.ts', 'tests/**/*.test.tsx'] },
});
