import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useEffect, useRef, useState } from 'react';
import { ApiError, api, type Schema, take } from '../../api/client';
import { useStable } from '../../parts/useStable';
import { useHistory, useUndoKeys } from './history';

export type Question = Schema['Question'];
export type Margin = Schema['Margin'];
export type Content = Schema['Content'];
export type Choice = Schema['Choice'];
export type Part = Schema['Part'];

/** What is edited of a question. */
export interface Draft {
  name: string;
  objective: string;
  content: Content;
}

export const draftOf = (question: Question): Draft => ({
  name: question.name ?? '',
  objective: question.objective ?? '',
  content: question.content,
});

/** The content without rows that are empty, so that the row one is about to write in does not keep the rest from being whole. */
export function tidy(content: Content): Content {
  const full = <T>(list: T[] | undefined, isFull: (row: T) => boolean) => list?.filter(isFull);
  const tidied = {
    choices: content.kind === 'claim' ? content.choices : full(content.choices, (c) => c.text.trim() !== '' || !!c.says),
    wordings: full(content.wordings, (w) => w.text.trim() !== ''),
    spans: full(content.spans, (s) => s.span.trim() !== ''),
    items: full(content.items, (p) => p.text.trim() !== ''),
    pairs: full(content.pairs, (p) => p.text.trim() !== '' || (p.with ?? '').trim() !== ''),
    labels: full(content.labels, (p) => p.text.trim() !== ''),
    spares: full(content.spares, (s) => s.trim() !== ''),
    gaps: content.gaps?.map((g) => ({
      ...g,
      ...(g.wordings && { wordings: g.wordings.filter((w) => w.text.trim() !== '') }),
      ...(g.listed && { listed: g.listed.filter((l) => l.text.trim() !== '') }),
    })),
    ends: content.ends?.every((end) => end.trim() === '') ? [] : content.ends,
    outcomeTexts: full(content.outcomeTexts, (t) => t.text.trim() !== ''),
    notes: full(content.notes, (n) => n.text.trim() !== ''),
    hints: full(content.hints, (h) => h.text.trim() !== ''),
  };
  return { ...content, ...Object.fromEntries(Object.entries(tidied).filter(([, list]) => list !== undefined)) };
}

const shelf = (id: number) => `zetema:question:${id}`;

/** Unsaved text with the version it builds on. */
interface Shelved extends Draft {
  version?: number;
}

/** A copy of unsaved text in the browser, so that a closed window loses nothing. */
function shelved(id: number): Shelved | null {
  const kept = localStorage.getItem(shelf(id));
  return kept === null ? null : (JSON.parse(kept) as Shelved);
}

/** A draft that saves itself a moment after the last change, says how it stands, and can take changes back. */
export function useDraft(question: Question) {
  const queries = useQueryClient();
  const { id } = question;
  const [kept] = useState(() => shelved(id));
  const [draft, setDraft] = useState<Draft>(() =>
    kept === null ? draftOf(question) : { name: kept.name, objective: kept.objective, content: kept.content },
  );
  const [restored, setRestored] = useState(kept !== null);
  // What was restored builds on what stood then: if somebody saved meanwhile, both versions are shown.
  const version = useRef(kept?.version ?? question.version);
  const timer = useRef<number | undefined>(undefined);
  const latest = useRef(draft);
  const sending = useRef(false);

  const save = useMutation({
    mutationFn: async (body: Draft) => {
      sending.current = true;
      try {
        const content = tidy(body.content);
        return await take(api.PUT('/questions/{id}', { params: { path: { id } }, body: { ...body, content, version: version.current } }));
      } finally {
        sending.current = false;
      }
    },
    onSuccess: (saved, sent) => {
      rebase(saved);
      if (latest.current === sent) {
        localStorage.removeItem(shelf(id));
        setRestored(false);
      } else {
        saveNow();
      }
    },
  });
  const saveNow = useStable(() => {
    window.clearTimeout(timer.current);
    if (!sending.current) save.mutate(latest.current);
  });
  // Without a connection, or while the server cannot save, it is tried again by itself.
  const offline = save.error instanceof ApiError && save.error.maySucceedLater;
  useEffect(() => {
    if (!offline) return;
    const again = window.setInterval(saveNow, 5000);
    return () => window.clearInterval(again);
  }, [offline, saveNow]);

  const put = useStable((next: Draft) => {
    latest.current = next;
    setDraft(next);
    localStorage.setItem(shelf(id), JSON.stringify({ ...next, version: version.current }));
    window.clearTimeout(timer.current);
    timer.current = window.setTimeout(saveNow, 700);
  });
  const { remember, step, can } = useHistory();
  const go = (way: 'undo' | 'redo') => {
    const to = step(way, latest.current);
    if (to) put(to);
  };
  const undo = useStable(() => go('undo'));
  const redo = useStable(() => go('redo'));
  useUndoKeys(undo, redo);
  const change = useStable((next: Draft) => {
    remember(latest.current);
    put(next);
  });
  /** A change of the content that builds on the newest one. */
  const edit = useStable((make: (content: Content) => Content) => change({ ...latest.current, content: make(latest.current.content) }));

  useEffect(() => {
    for (const event of ['zetema:logged-in', 'online']) window.addEventListener(event, saveNow);
    return () => {
      for (const event of ['zetema:logged-in', 'online']) window.removeEventListener(event, saveNow);
    };
  }, [saveNow]);

  // Who goes on to the next question a moment after the last letter finds it saved.
  useEffect(
    () => () => {
      if (localStorage.getItem(shelf(id)) !== null) saveNow();
    },
    [id, saveNow],
  );

  const theirs = save.error instanceof ApiError ? (save.error.problem.current as Question | undefined) : undefined;
  /** After a change elsewhere: go on with what was saved there. */
  const takeTheirs = () => theirs && adopt(theirs);
  /** After a change elsewhere: save mine over it. */
  const saveMine = () => {
    if (theirs) version.current = theirs.version;
    saveNow();
  };
  /** Something was changed beside the draft: its status, a remark. */
  const rebase = (saved: Question) => {
    version.current = saved.version;
    queries.setQueryData(['question', id], saved);
    for (const key of ['board', 'questions', 'blueprints', 'proofreading']) void queries.invalidateQueries({ queryKey: [key] });
    if (saved.problem === null) for (const key of ['scores', 'as-seen']) void queries.invalidateQueries({ queryKey: [key, id] });
  };
  /** The whole draft came from elsewhere: an older revision, another window. */
  const adopt = (saved: Question) => {
    remember(latest.current);
    window.clearTimeout(timer.current);
    latest.current = draftOf(saved);
    setDraft(latest.current);
    localStorage.removeItem(shelf(id));
    setRestored(false);
    rebase(saved);
    save.reset();
  };

  return { draft, change, edit, saveNow, save, restored, theirs, takeTheirs, saveMine, rebase, adopt, version, undo, redo, can };
}

export type Edit = ReturnType<typeof useDraft>;
