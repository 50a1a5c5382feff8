import { useState } from 'react';

/** What can stand beside a question in the list; those further on are asked for only when one of them is shown. */
export const columns = {
  name: 'name',
  kind: 'kind',
  points: 'points',
  objective: 'objective',
  status: 'status',
  difficulty: 'difficulty',
  tags: 'tags',
  revision: 'revision',
  saved: 'saved when',
  by: 'saved by',
} as const;
export type Column = keyof typeof columns;
export type Shown = ReadonlySet<Column>;

const usual: Column[] = ['name', 'kind', 'points', 'objective', 'status'];
const asked: Column[] = ['difficulty', 'tags', 'saved', 'by'];
const shelf = 'zetema:columns';

const known = (kept: string | null): Column[] => {
  const names = Object.keys(columns) as Column[];
  return kept === null ? usual : names.filter((name) => kept.split(' ').includes(name));
};

/** Which columns this person wants, in any bank; kept in the browser. */
export function useColumns() {
  const [shown, setShown] = useState<Shown>(() => new Set(known(localStorage.getItem(shelf))));
  const toggle = (column: Column) => {
    const next = new Set(shown);
    if (!next.delete(column)) next.add(column);
    localStorage.setItem(shelf, [...next].join(' '));
    setShown(next);
  };
  return { shown, toggle, needsMore: asked.some((column) => shown.has(column)) };
}
