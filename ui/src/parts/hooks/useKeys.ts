import { useEffect } from 'react';
import { useStable } from './useStable';

/** Whether a dialog lies over the page: while it does, no key of the page behind it works. */
const isCovered = (e: KeyboardEvent) => {
  const dialog = document.querySelector('[role="dialog"][data-state="open"], [role="alertdialog"][data-state="open"]');
  return dialog !== null || (e.target instanceof Element && e.target.closest('[role="dialog"]') !== null);
};

/** Keys of the whole page, wherever the focus is. */
export function useKeys(onKey: (e: KeyboardEvent) => void) {
  const newest = useStable(onKey);
  useEffect(() => {
    const listen = (e: KeyboardEvent) => {
      if (!e.defaultPrevented && !isCovered(e)) newest(e);
    };
    window.addEventListener('keydown', listen);
    return () => window.removeEventListener('keydown', listen);
  }, [newest]);
}
