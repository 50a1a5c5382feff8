import type { Schema } from '../../../api/client';

type Objective = Schema['Objective'];
export interface Move {
  parent: number | null;
  before: number | null;
}

const siblings = (all: Objective[], parent: number | null) => all.filter((o) => o.parent === parent && o.id !== 0);
const after = (all: Objective[], one: Objective) => {
  const beside = siblings(all, one.parent);
  return beside[beside.indexOf(one) + 1]?.id ?? null;
};

/** One step of an objective by keys: among its siblings, below the one before it, or out beside what it lies below. */
export function step(all: Objective[], one: Objective, way: 'up' | 'down' | 'in' | 'out'): Move | null {
  const beside = siblings(all, one.parent);
  const i = beside.indexOf(one);
  const [previous, next] = [beside[i - 1], beside[i + 1]];
  if (way === 'up') return previous ? { parent: one.parent, before: previous.id } : null;
  if (way === 'down') return next ? { parent: one.parent, before: after(all, next) } : null;
  if (way === 'in') return previous ? { parent: previous.id, before: null } : null;
  const above = all.find(({ id }) => id === one.parent);
  return above ? { parent: above.parent, before: after(all, above) } : null;
}

export const liesBelow = (one: Objective, other: Objective) => one.path.startsWith(`${other.path} > `);

/** Dropped on another one, it takes that one's place: before it when it comes from below, after it when it comes from above. */
export function dropped(all: Objective[], from: number, onto: number): Move | null {
  const [one, other] = [all[from], all[onto]];
  if (!one || !other || one === other || other.id === 0 || liesBelow(other, one)) return null;
  return { parent: other.parent, before: from > onto ? other.id : after(all, other) };
}
