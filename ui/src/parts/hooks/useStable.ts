import { useCallback, useEffect, useRef } from 'react';

/** A function that keeps its identity and always calls the newest one, so that what it is given to need not be drawn again. */
export function useStable<A extends unknown[], R>(fn: (...args: A) => R): (...args: A) => R {
  const newest = useRef(fn);
  useEffect(() => {
    newest.current = fn;
  });
  return useCallback((...args: A) => newest.current(...args), []);
}
