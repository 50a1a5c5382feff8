import { hashKey, useMutation } from '@tanstack/react-query';
import { type RefObject, useEffect, useEffectEvent, useRef, useState } from 'react';
import { ApiError } from '../../api/client';

/** What saves itself, whatever it is. */
export interface Autosaved<T, Saved> {
  /** what the server keeps under one version, such as "question:12"; saves of it go one after the other */
  thing: string;
  /** where in this browser unsaved text is shelved */
  shelf: string;
  /** as it stands on the server */
  initial: T;
  /** the newest version known; shared by all that edit parts of one thing */
  versionRef: RefObject<number>;
  save: (value: T, version: number, keepalive: boolean) => Promise<Saved>;
  versionOf: (saved: Saved) => number;
  valueOf: (saved: Saved) => T;
  /** @param isNewest whether nothing was typed since it was sent */
  onSaved?: (saved: Saved, isNewest: boolean) => void;
  /** milliseconds after the last change */
  delay?: number;
  /** whether what was shelved is saved at once when it is found again, or only when asked for */
  restoreAtOnce?: boolean;
}

interface Shelved<T> {
  value: T;
  version: number;
}

function read<T>(shelf: string): Shelved<T> | null {
  const kept = localStorage.getItem(shelf);
  if (kept === null) return null;
  try {
    const parsed = JSON.parse(kept) as Shelved<T> | (T & { version?: number });
    if ('value' in (parsed as object)) return parsed as Shelved<T>;
    const { version = 0, ...value } = parsed as T & { version?: number };
    return { value: value as T, version };
  } catch {
    return null;
  }
}

const same = (a: unknown, b: unknown) => hashKey([a]) === hashKey([b]);

/** Seconds to wait before the n-th try again: longer each time, and not the same for everybody. */
export const waitBefore = (tries: number, random = Math.random()) => Math.min(30, 1.5 * 1.7 ** tries) * (0.6 + 0.8 * random);

/**
 * Saves a moment after the last change, and tries again by itself as long as it may succeed. What is typed is shelved in the browser
 * with the version it was typed over until the server has it; leaving the page saves at once. Where somebody else saved meanwhile,
 * both versions are there to choose from, unless they changed something else.
 */
export function useAutosave<T, Saved>(options: Autosaved<T, Saved>) {
  const { thing, shelf, versionRef, delay = 700, restoreAtOnce = true } = options;
  const [kept] = useState(() => read<T>(shelf));
  const [value, setValue] = useState<T>(() => kept?.value ?? options.initial);
  const [isRestored, setRestored] = useState(kept !== null);
  const [isUnsaved, setUnsaved] = useState(kept !== null);
  /** What the value was typed over. */
  const base = useRef<T>(options.initial);
  const over = useRef(kept?.version ?? 0);
  const latest = useRef(value);
  const timer = useRef<number | undefined>(undefined);
  const tries = useRef(0);
  const sending = useRef(false);
  const unsaved = useRef(kept !== null);

  const mutation = useMutation<Saved, Error, { value: T; keepalive: boolean }>({
    scope: { id: thing },
    mutationFn: async ({ value: sent, keepalive }) => {
      sending.current = true;
      try {
        // What was restored builds on what stood then: if somebody saved meanwhile, both versions are shown.
        return await options.save(sent, over.current || versionRef.current, keepalive);
      } finally {
        sending.current = false;
      }
    },
    onSuccess: (saved, { value: sent }) => done(saved, sent),
    onError: (error, { value: sent }) => {
      if (!(error instanceof ApiError)) return;
      if (error.isStale) {
        const current = error.problem.current as Saved;
        // What is newer is what was sent: it was saved before, and only the answer was lost on the way.
        if (same(options.valueOf(current), sent)) {
          done(current, sent);
          mutation.reset();
          return;
        }
        // Somebody changed another part of it; this part is as it was.
        if (over.current === 0 && same(options.valueOf(current), base.current)) {
          versionRef.current = options.versionOf(current);
          saveNow();
        }
      } else if (error.maySucceedLater) {
        window.clearTimeout(timer.current);
        timer.current = window.setTimeout(saveNow, 1000 * waitBefore(tries.current++));
      }
    },
  });
  const done = (saved: Saved, sent: T) => {
    tries.current = 0;
    over.current = 0;
    base.current = sent;
    versionRef.current = options.versionOf(saved);
    const isNewest = latest.current === sent;
    if (isNewest) settle();
    options.onSaved?.(saved, isNewest);
    if (!isNewest) saveNow();
  };
  const settle = () => {
    unsaved.current = false;
    localStorage.removeItem(shelf);
    setRestored(false);
    setUnsaved(false);
  };
  const saveNow = (keepalive = false) => {
    window.clearTimeout(timer.current);
    if (unsaved.current && !sending.current) mutation.mutate({ value: latest.current, keepalive });
  };
  /** Takes a new value, to be saved in a moment. */
  const put = (next: T, after = delay) => {
    latest.current = next;
    unsaved.current = true;
    setValue(next);
    setUnsaved(true);
    localStorage.setItem(shelf, JSON.stringify({ value: next, version: over.current || versionRef.current } satisfies Shelved<T>));
    window.clearTimeout(timer.current);
    timer.current = window.setTimeout(saveNow, after);
  };
  const theirs = mutation.error instanceof ApiError && mutation.error.isStale ? (mutation.error.problem.current as Saved) : undefined;
  /** Goes on with what stands on the server. */
  const adopt = (saved: Saved) => {
    window.clearTimeout(timer.current);
    over.current = 0;
    latest.current = options.valueOf(saved);
    base.current = latest.current;
    versionRef.current = options.versionOf(saved);
    setValue(latest.current);
    settle();
    mutation.reset();
  };
  /** Saves this value over what somebody else saved. */
  const saveMine = () => {
    if (theirs === undefined) return;
    over.current = 0;
    versionRef.current = options.versionOf(theirs);
    saveNow();
  };

  const again = useEffectEvent(() => {
    tries.current = 0;
    saveNow();
  });
  const leave = useEffectEvent(() => saveNow(true));
  const begin = useEffectEvent(() => {
    if (restoreAtOnce) saveNow();
  });
  useEffect(() => {
    const retry = () => again();
    const leaving = () => leave();
    begin();
    for (const event of ['zetema:logged-in', 'online']) window.addEventListener(event, retry);
    window.addEventListener('pagehide', leaving);
    return () => {
      for (const event of ['zetema:logged-in', 'online']) window.removeEventListener(event, retry);
      window.removeEventListener('pagehide', leaving);
      // Who goes on a moment after the last letter finds it saved.
      leaving();
    };
  }, []);

  return {
    value,
    latest,
    put,
    saveNow: () => saveNow(),
    isSaving: mutation.isPending,
    isUnsaved,
    isRestored,
    error: mutation.error,
    theirs,
    takeTheirs: () => {
      if (theirs !== undefined) adopt(theirs);
    },
    saveMine,
    adopt,
  };
}
