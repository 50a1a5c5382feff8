import { useChanged } from '../../api/changed';
import { useQueryClient } from '@tanstack/react-query';
import { useRef } from 'react';
import { api, dataOf } from '../../api/client';
import { keys } from '../../api/keys';
import { useAutosave } from '../../parts/hooks/useAutosave';
import { useHistory, useUndoKeys } from '../../parts/hooks/useHistory';
import type { Blueprint, Document } from './document';

/** A blueprint that saves itself a moment after the last change, with the way back. */
export function useBlueprint(blueprint: Blueprint) {
  const queries = useQueryClient();
  const changed = useChanged();
  const versionRef = useRef(blueprint.version);
  const saving = useAutosave<Document, Blueprint>({
    thing: `blueprint:${blueprint.id}`,
    shelf: `zetema:assessment:${blueprint.id}`,
    initial: blueprint.document,
    versionRef,
    save: async (document, over, keepalive) => {
      // Of a step that drops all leads the client's types know nothing.
      const body = { version: over, document: document as never };
      const saved: unknown = await dataOf(
        api.PUT('/blueprints/{id}/document', { params: { path: { id: blueprint.id } }, body, keepalive }),
      );
      return saved as Blueprint;
    },
    versionOf: (saved) => saved.version,
    valueOf: (saved) => saved.document,
    onSaved: (saved) => {
      queries.setQueryData(keys.blueprint(blueprint.id), saved);
      void changed('blueprints');
    },
    delay: 400,
  });
  const history = useHistory<Document>();
  const change = (next: Document) => {
    if (next === saving.latest.current) return;
    history.remember(saving.latest.current);
    saving.put(next);
  };
  const back = (way: 'undo' | 'redo') => {
    const to = history.step(way, saving.latest.current);
    if (to) saving.put(to);
  };
  const undo = () => back('undo');
  const redo = () => back('redo');
  useUndoKeys(undo, redo);
  return { ...saving, document: saving.value, change, undo, redo, can: history.can, versionRef };
}
