import { useEffect, useRef } from 'react';

/** Gives the focus to an element as soon as its mark changes: something new stands in it, which is read out and scrolled to. */
export function useFocusOnNew<T extends HTMLElement>(mark: unknown) {
  const element = useRef<T>(null);
  const seen = useRef(mark);
  useEffect(() => {
    if (seen.current === mark) return;
    seen.current = mark;
    element.current?.focus();
  }, [mark]);
  return element;
}
