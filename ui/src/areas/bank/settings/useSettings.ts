import { useChanged } from '../../../api/changed';
import { useQueryClient } from '@tanstack/react-query';
import { useRef } from 'react';
import type { Schema } from '../../../api/client';
import { keys } from '../../../api/keys';
import { useAutosave } from '../../../parts/hooks/useAutosave';

export type Settings = Schema['BankSettings'];
export type Edited = Pick<Settings, 'settings' | 'byKind' | 'wording' | 'kindWording' | 'clearing'>;
const editedOf = ({ settings, byKind, wording, kindWording, clearing }: Settings): Edited => ({
  settings,
  byKind,
  wording,
  kindWording,
  clearing,
});

/** A place that settings are made at: a bank, or the organisation. */
export interface Place {
  /** what it is called where unsaved changes are kept */
  thing: string;
  query: (string | number)[];
  save: (body: Schema['EditedSettings'], keepalive: boolean) => Promise<Settings>;
}

/** Milliseconds without a key after which what was typed is saved. */
export const PAUSE = 600;

/** Settings that save themselves with every change. */
export function useSettings(place: Place, stored: Settings) {
  const queries = useQueryClient();
  const changed = useChanged();
  const versionRef = useRef(stored.version);
  const again = () => {
    void changed('settings');
    queries.removeQueries({ queryKey: keys.question() });
  };
  const saving = useAutosave<Edited, Settings>({
    thing: place.thing,
    shelf: `zetema:${place.thing}`,
    initial: editedOf(stored),
    versionRef,
    save: (body, over, keepalive) => place.save({ ...body, version: over }, keepalive),
    versionOf: (saved) => saved.version,
    valueOf: editedOf,
    onSaved: (saved, isNewest) => {
      // As the server writes it: "2,5" becomes "2, 5". Not while something newer is typed.
      if (isNewest) saving.adopt(saved);
      queries.setQueryData(place.query, saved);
      again();
    },
    delay: 0,
  });
  return { saving, again };
}
