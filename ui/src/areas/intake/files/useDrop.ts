import { useEffect, useRef } from 'react';

/** Takes the files that are dropped on an element. */
export function useDrop(take: (files: File[]) => void) {
  const element = useRef<HTMLElement>(null);
  const taking = useRef(take);
  useEffect(() => {
    taking.current = take;
  });
  useEffect(() => {
    const target = element.current;
    const over = (e: DragEvent) => e.preventDefault();
    const drop = (e: DragEvent) => {
      if (!e.dataTransfer?.files.length) return;
      e.preventDefault();
      taking.current([...e.dataTransfer.files]);
    };
    target?.addEventListener('dragover', over);
    target?.addEventListener('drop', drop);
    return () => {
      target?.removeEventListener('dragover', over);
      target?.removeEventListener('drop', drop);
    };
  }, []);
  return element;
}
