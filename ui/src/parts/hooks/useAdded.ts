import { useRef } from 'react';
import { flushSync } from 'react-dom';

/** Adds something to be written, drawn at once, so that the next letter already lands in it. Give `last` to its field. */
export function useAdded<T extends HTMLElement>() {
  const last = useRef<T>(null);
  const adding = (add: () => void) => {
    flushSync(add);
    last.current?.focus();
  };
  return { last, adding };
}
