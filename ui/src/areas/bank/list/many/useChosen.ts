import { useState } from 'react';
import type { Schema } from '../../../../api/client';

type Filter = NonNullable<Schema['ManyChange']['filter']>;

/** Which questions are chosen: some by their ids, or all that fit the filter but some. */
interface Chosen {
  all: boolean;
  /** those chosen, or those left out of all */
  ids: ReadonlySet<number>;
  /** the filter they were chosen under */
  under: string;
}

const none: Chosen = { all: false, ids: new Set(), under: '' };

/**
 * Choosing in a list of which a part is loaded.
 *
 * @param filter what the list is narrowed to; with another one, nothing is chosen
 * @param total how many fit it
 */
export function useChosen(filter: Filter, total: number) {
  const under = JSON.stringify(filter);
  const [kept, setKept] = useState<Chosen>(none);
  /** where a stretch begins */
  const [anchor, setAnchor] = useState<number | null>(null);
  const chosen = kept.under === under ? kept : none;
  const isIn = (now: Chosen, id: number) => now.all !== now.ids.has(id);
  const has = (id: number) => isIn(chosen, id);
  // Two may be pressed before the first is drawn: each goes on from what was chosen by then.
  const put = (ids: number[], on: (now: Chosen) => boolean) =>
    setKept((before) => {
      const now = before.under === under ? before : { ...none, under };
      const next = new Set(now.ids);
      const isOn = on(now);
      for (const id of ids) {
        if (isOn !== now.all) next.add(id);
        else next.delete(id);
      }
      return { ...now, ids: next };
    });
  return {
    has,
    count: chosen.all ? Math.max(0, total - chosen.ids.size) : chosen.ids.size,
    /** Chooses one or leaves it; with the list, all from the last one up to it. */
    toggle: (questions: { id: number }[], i: number, stretch: boolean) => {
      const one = questions[i];
      if (!one) return;
      const from = stretch && anchor !== null ? anchor : i;
      put(
        questions.slice(Math.min(from, i), Math.max(from, i) + 1).map(({ id }) => id),
        (now) => (stretch && anchor !== null ? isIn(now, questions[anchor]?.id ?? 0) : !isIn(now, one.id)),
      );
      if (!stretch) setAnchor(i);
    },
    all: () => setKept({ all: true, ids: new Set(), under }),
    none: () => {
      setKept(none);
      setAnchor(null);
    },
    /** As the server takes it. */
    body: (): Pick<Schema['ManyChange'], 'ids' | 'filter' | 'without'> =>
      chosen.all ? { filter, without: [...chosen.ids] } : { ids: [...chosen.ids] },
  };
}

export type Choosing = ReturnType<typeof useChosen>;
