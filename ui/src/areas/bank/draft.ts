import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useCallback, useEffect, useRef, useState } from 'react';
import { ApiError, api, type Schema, take } from '../../api/client';

export type Question = Schema['Question'];
export type Content = Schema['Content'];
export type Choice = Schema['Choice'];

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

/** The content without what is empty, so that blank rows do not keep the rest from being saved. */
export function tidy(content: Content): Content {
  return {
    ...content,
    ...(content.choices && content.kind !== 'claim' && { choices: content.choices.filter((c) => c.text.trim() !== '' || c.says) }),
    ...(content.wordings && { wordings: content.wordings.filter((w) => w.text.trim() !== '') }),
    ...(content.spans && { spans: content.spans.filter((s) => s.span.trim() !== '') }),
    ...(content.outcomeTexts && { outcomeTexts: content.outcomeTexts.filter((t) => t.text.trim() !== '') }),
    ...(content.hints && { hints: content.hints.filter((h) => h.text.trim() !== '') }),
  };
}

const shelf = (id: number) => `zetema:question:${id}`;

/** A copy of unsaved text in the browser, so that a closed window loses nothing. */
function shelved(id: number): Draft | null {
  const kept = localStorage.getItem(shelf(id));
  return kept === null ? null : (JSON.parse(kept) as Draft);
}

/** A draft that saves itself a moment after the last change, and says how it stands. */
export function useDraft(question: Question) {
  const queries = useQueryClient();
  const { id } = question;
  const [draft, setDraft] = useState<Draft>(() => shelved(id) ?? draftOf(question));
  const [restored, setRestored] = useState(() => shelved(id) !== null);
  const version = useRef(question.version);
  const timer = useRef<number | undefined>(undefined);
  const latest = useRef(draft);

  const save = useMutation({
    mutationFn: (body: Draft) =>
      take(
        api.PUT('/questions/{id}', {
          params: { path: { id } },
          body: { ...body, content: tidy(body.content), version: version.current },
        }),
      ),
    onSuccess: (saved, sent) => {
      version.current = saved.version;
      queries.setQueryData(['question', id], saved);
      for (const key of ['board', 'questions', 'blueprints']) void queries.invalidateQueries({ queryKey: [key] });
      if (latest.current === sent) {
        localStorage.removeItem(shelf(id));
        setRestored(false);
      } else {
        saveNow();
      }
    },
  });
  const { mutate, isPending } = save;
  const pending = useRef(false);
  useEffect(() => {
    pending.current = isPending;
  }, [isPending]);
  const saveNow = useCallback(() => {
    window.clearTimeout(timer.current);
    if (!pending.current) mutate(latest.current);
  }, [mutate]);

  const change = useCallback(
    (next: Draft) => {
      latest.current = next;
      setDraft(next);
      localStorage.setItem(shelf(id), JSON.stringify(next));
      window.clearTimeout(timer.current);
      timer.current = window.setTimeout(saveNow, 700);
    },
    [id, saveNow],
  );

  useEffect(() => {
    window.addEventListener('zetema:logged-in', saveNow);
    return () => window.removeEventListener('zetema:logged-in', saveNow);
  }, [saveNow]);

  /** After a change elsewhere: go on with what was saved there. */
  const takeTheirs = () => {
    const theirs = save.error instanceof ApiError ? (save.error.problem.current as Question | undefined) : undefined;
    if (!theirs) return;
    version.current = theirs.version;
    latest.current = draftOf(theirs);
    setDraft(latest.current);
    localStorage.removeItem(shelf(id));
    queries.setQueryData(['question', id], theirs);
    save.reset();
  };
  /** After a change elsewhere: save mine over it. */
  const saveMine = () => {
    const theirs = save.error instanceof ApiError ? (save.error.problem.current as Question | undefined) : undefined;
    if (theirs) version.current = theirs.version;
    saveNow();
  };
  /** A change of status made beside the draft. */
  const rebase = (saved: Question) => {
    version.current = saved.version;
    queries.setQueryData(['question', id], saved);
    for (const key of ['board', 'questions', 'blueprints']) void queries.invalidateQueries({ queryKey: [key] });
  };

  return { draft, change, saveNow, save, restored, takeTheirs, saveMine, rebase, version };
}
