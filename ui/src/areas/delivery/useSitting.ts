import { keys } from '../../api/keys';
import type { Response } from '../../kinds/content';
import { useQuery, useQueryClient } from '@tanstack/react-query';
import { useCallback, useEffect, useRef, useState } from 'react';
import { ApiError, api, type Schema, dataOf } from '../../api/client';

export type Sitting = Schema['Sitting'];
type EventType = Schema['SittingEvent']['type'];
interface Waiting {
  request: string;
  type: EventType;
  sheet?: number;
  response?: Response;
}
export type SavedState = 'saved' | 'saving' | 'waiting';

/** How often a page with a clock asks whether its end was moved, in milliseconds. */
const LOOK = 30_000;

const shelf = (id: number) => `zetema:sitting:${id}`;

/**
 * A sitting as its page has it. What is done goes into a queue that is kept in the browser and sent one by one; without a
 * connection it waits and is sent again with the same request id, so that nothing counts twice and nothing is lost.
 */
export function useSitting(id: number) {
  const queries = useQueryClient();
  const sitting = useQuery({
    queryKey: keys.sitting(id),
    queryFn: () => dataOf(api.GET('/sittings/{id}', { params: { path: { id } } })),
    refetchOnMount: 'always',
  });
  const [saved, setSaved] = useState<SavedState>('saved');
  const [notice, setNotice] = useState<string | null>(null);
  /** What keeps it from being saved, if that is not just the connection. */
  const [why, setWhy] = useState<string | null>(null);
  // Raised when something done here was dropped, so that the page shows what stands instead.
  const [dropped, setDropped] = useState(0);
  const queue = useRef<Waiting[]>(JSON.parse(localStorage.getItem(shelf(id)) ?? '[]') as Waiting[]);
  const sending = useRef(false);
  const retry = useRef<number | undefined>(undefined);
  const typing = useRef<number | undefined>(undefined);
  const again = useRef<() => void>(() => undefined);

  const keep = useCallback(() => {
    if (queue.current.length > 0) localStorage.setItem(shelf(id), JSON.stringify(queue.current));
    else localStorage.removeItem(shelf(id));
  }, [id]);

  const send = useCallback(async () => {
    if (sending.current) return;
    sending.current = true;
    window.clearTimeout(retry.current);
    while (queue.current[0]) {
      const current = queries.getQueryData<Sitting>(keys.sitting(id));
      if (!current) break;
      setSaved('saving');
      const next = queue.current[0];
      try {
        const answer = await dataOf(api.POST('/sittings/{id}/events', { params: { path: { id } }, body: { ...next, on: current.events } }));
        queue.current = queue.current.filter((waiting) => waiting.request !== next.request);
        queries.setQueryData(keys.sitting(id), answer);
      } catch (error) {
        if (error instanceof ApiError && (error.maySucceedLater || error.isLogIn)) {
          setSaved('waiting');
          setWhy(error.isOffline ? null : error.isLogIn ? 'It is kept here and sent as soon as you have logged in again.' : error.message);
          if (error.isLogIn) window.dispatchEvent(new Event('zetema:log-in'));
          retry.current = window.setTimeout(() => {
            sending.current = false;
            again.current();
          }, 3000);
          keep();
          return;
        }
        // Refused, or another window was quicker: this one is dropped and what stands now is shown.
        queue.current = queue.current.filter((waiting) => waiting.request !== next.request);
        setNotice(error instanceof Error ? error.message : 'That could not be done.');
        const theirs = error instanceof ApiError ? (error.problem.current as Partial<Sitting> | undefined) : undefined;
        if (theirs) queries.setQueryData<Sitting>(keys.sitting(id), (old) => (old ? { ...old, ...theirs } : old));
        await queries.refetchQueries({ queryKey: keys.sitting(id), exact: true });
        setDropped((n) => n + 1);
      }
      keep();
    }
    sending.current = false;
    setSaved('saved');
    setWhy(null);
  }, [id, keep, queries]);
  useEffect(() => {
    again.current = () => void send();
  }, [send]);

  const act = useCallback(
    (type: EventType, sheet?: number, response?: Response, later = 0) => {
      setNotice(null);
      // A newer text of the same question, or its check, takes the place of one that still waits.
      const waiting = queue.current.at(-1);
      const replaces =
        (type === 'saved' || type === 'checked') &&
        waiting?.type === 'saved' &&
        waiting.sheet === sheet &&
        (queue.current.length > 1 || !sending.current);
      if (replaces) queue.current = queue.current.slice(0, -1);
      queue.current = [
        ...queue.current,
        { request: crypto.randomUUID(), type, ...(sheet !== undefined && { sheet }), ...(response !== undefined && { response }) },
      ];
      // It is in the browser from the first letter on, and says so; it is sent once the typing pauses.
      keep();
      window.clearTimeout(typing.current);
      if (later === 0) {
        void send();
        return;
      }
      setSaved('saving');
      typing.current = window.setTimeout(() => void send(), later);
    },
    [keep, send],
  );

  const loaded = sitting.data !== undefined;
  useEffect(() => {
    if (loaded && queue.current.length > 0) void send();
    const go = () => {
      sending.current = false;
      void send();
    };
    window.addEventListener('online', go);
    window.addEventListener('zetema:logged-in', go);
    return () => {
      window.removeEventListener('online', go);
      window.removeEventListener('zetema:logged-in', go);
    };
  }, [loaded, send]);

  // Time that staff give arrives by itself where a clock runs. What was done here goes first, and nothing older takes its place.
  const hasClock = sitting.data?.phase === 'running' && (sitting.data.deadline !== null || sitting.data.clocks.length > 0);
  useEffect(() => {
    if (!hasClock) return;
    const timer = window.setInterval(() => {
      if (queue.current.length > 0 || sending.current || window.document.hidden) return;
      void dataOf(api.GET('/sittings/{id}', { params: { path: { id } } })).then(
        (now) => {
          if (queue.current.length === 0 && !sending.current)
            queries.setQueryData<Sitting>(keys.sitting(id), (old) => (old && now.events < old.events ? old : now));
        },
        () => undefined,
      );
    }, LOOK);
    return () => window.clearInterval(timer);
  }, [hasClock, id, queries]);

  /** What was given to a question and still waits to be sent. */
  const waitingFor = useCallback(
    (sheet: number) => queue.current.findLast((w) => w.sheet === sheet && (w.type === 'saved' || w.type === 'checked')),
    [],
  );

  /** It stands otherwise now than what was done here led to: the page shows that. */
  const replace = useCallback(
    (now: Sitting) => {
      queries.setQueryData(keys.sitting(id), now);
      setDropped((n) => n + 1);
    },
    [id, queries],
  );

  return { sitting, act, saved, notice, why, dropped, waitingFor, replace };
}

const nothing = () => undefined;

/** Seconds left by the server's clock until a moment of it, as well as the browser can tell: corrected with every reply. */
export function useSecondsLeft(sitting: Sitting | undefined, ends: number | null, onZero: () => void = nothing): number | null {
  const [left, setLeft] = useState<number | null>(null);
  const zero = useRef(onZero);
  useEffect(() => {
    zero.current = onZero;
  }, [onZero]);
  const running = sitting?.phase === 'running' && ends !== null;
  const stands = sitting?.watch?.stopped === true;
  const deadline = running ? ends : null;
  const now = running ? sitting.now : 0;
  useEffect(() => {
    if (deadline === null) return;
    const offset = now - Date.now();
    const tick = () => {
      const seconds = (deadline - (stands ? now : Date.now() + offset)) / 1000;
      setLeft(Math.max(0, seconds));
      if (seconds < -3.2) zero.current();
    };
    tick();
    const timer = window.setInterval(tick, 500);
    return () => window.clearInterval(timer);
  }, [deadline, now, stands]);
  return deadline === null ? null : left;
}
