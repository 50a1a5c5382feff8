import { useChanged } from '../../../api/changed';
import { keys } from '../../../api/keys';
import { useQueryClient } from '@tanstack/react-query';
import { useRef } from 'react';
import { api, type Schema, dataOf } from '../../../api/client';
import { useAutosave } from '../../../parts/hooks/useAutosave';
import type { Content } from '../../../kinds/content';
import { useStable } from '../../../parts/hooks/useStable';
import { useHistory, useUndoKeys } from '../../../parts/hooks/useHistory';
import { tidy, withIds } from '../../../kinds/registry';

export type Question = Schema['Question'];

/** What is edited of a question. */
export interface Draft {
  name: string;
  objective: string;
  content: Content;
}

export const draftOf = (question: Question): Draft => ({
  name: question.name ?? '',
  objective: question.objective ?? '',
  content: withIds(question.content),
});

/** A draft that saves itself a moment after the last change, says how it stands, and can take changes back. */
export function useDraft(question: Question) {
  const queries = useQueryClient();
  const changed = useChanged();
  const { id } = question;
  /** The version that stands, shared by all that edit parts of the question. */
  const versionRef = useRef(question.version);
  const keep = (saved: Question) => {
    versionRef.current = saved.version;
    queries.setQueryData(keys.question(id), saved);
    void changed('question');
    if (saved.problem === null) void changed('what a question scores', id);
  };
  const saving = useAutosave<Draft, Question>({
    thing: `question:${id}`,
    shelf: `zetema:question:${id}`,
    initial: draftOf(question),
    versionRef,
    save: (body, over, keepalive) =>
      dataOf(
        api.PUT('/questions/{id}', { params: { path: { id } }, body: { ...body, content: tidy(body.content), version: over }, keepalive }),
      ),
    versionOf: (saved) => saved.version,
    valueOf: draftOf,
    onSaved: keep,
    restoreAtOnce: false,
  });
  const { latest, put } = saving;
  const { remember, step, can } = useHistory<Draft>();
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
  /** The whole draft came from elsewhere: an older revision, another window. */
  const adopt = (saved: Question) => {
    remember(latest.current);
    saving.adopt(saved);
    keep(saved);
  };
  return {
    draft: saving.value,
    change,
    edit,
    saveNow: saving.saveNow,
    save: { isPending: saving.isSaving, error: saving.error },
    restored: saving.isRestored,
    theirs: saving.theirs,
    takeTheirs: () => saving.theirs && adopt(saving.theirs),
    saveMine: saving.saveMine,
    /** Something was changed beside the draft: its status, a comment. */
    rebase: keep,
    adopt,
    versionRef,
    undo,
    redo,
    can,
  };
}

export type Edit = ReturnType<typeof useDraft>;
