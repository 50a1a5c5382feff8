import { useCallback, useEffect, useRef, useState } from 'react';
import { useKeys } from './useKeys';

const oneStep = 900;
const most = 200;
const step = 'zetema:step';

/** What comes next is a step of its own to undo, however soon it comes. */
export const beginStep = () => window.dispatchEvent(new Event(step));

/** What something that is edited was before each change, and before each undo. Typing that goes on in one field without a pause is one step. */
export function useHistory<Draft>() {
  const past = useRef<Draft[]>([]);
  const future = useRef<Draft[]>([]);
  const last = useRef({ at: 0, field: '' });
  const [can, setCan] = useState({ undo: false, redo: false });
  const tell = () =>
    setCan((before) => {
      const now = { undo: past.current.length > 0, redo: future.current.length > 0 };
      return before.undo === now.undo && before.redo === now.redo ? before : now;
    });
  const remember = useCallback((before: Draft) => {
    const now = { at: Date.now(), field: document.activeElement?.getAttribute('aria-label') ?? '' };
    const goesOn = now.at - last.current.at <= oneStep && now.field === last.current.field;
    if (!goesOn || past.current.length === 0) past.current = [...past.current.slice(-most), before];
    last.current = now;
    future.current = [];
    tell();
  }, []);
  useEffect(() => {
    const begin = () => {
      last.current = { at: 0, field: '' };
    };
    window.addEventListener(step, begin);
    return () => window.removeEventListener(step, begin);
  }, []);
  /** The draft to go back or forth to, or nothing. */
  const goBack = useCallback((way: 'undo' | 'redo', now: Draft): Draft | undefined => {
    const [from, to] = way === 'undo' ? [past, future] : [future, past];
    if (from.current.length === 0) return undefined;
    const draft = from.current.at(-1);
    from.current = from.current.slice(0, -1);
    to.current = [...to.current, now];
    last.current = { at: 0, field: '' };
    tell();
    return draft;
  }, []);
  return { remember, step: goBack, can };
}

/** Ctrl Z, and Ctrl Y or Ctrl Shift Z. */
export function useUndoKeys(undo: () => void, redo: () => void) {
  useKeys((e) => {
    if (!(e.ctrlKey || e.metaKey) || e.altKey) return;
    // A short field of its own, such as a value being typed over, takes back its own letters.
    if (e.target instanceof HTMLInputElement && !e.target.hasAttribute('data-draft')) return;
    const key = e.key.toLowerCase();
    if (key === 'z' && !e.shiftKey) undo();
    else if (key === 'y' || (key === 'z' && e.shiftKey)) redo();
    else return;
    e.preventDefault();
  });
}
