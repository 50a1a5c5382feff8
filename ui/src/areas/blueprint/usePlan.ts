import { keys } from '../../api/keys';
import { useQueryClient } from '@tanstack/react-query';
import { useRef } from 'react';
import { api, type Schema, dataOf } from '../../api/client';
import { useAutosave } from '../../parts/hooks/useAutosave';
import { cellOf } from '../bank/board/coverage';

export type Blueprint = Schema['Blueprint'];
export type Plan = Schema['Plan'];
export interface Edited {
  title: string;
  plan: Plan;
  rules: Schema['Rules'];
}

/** How many are drawn of a cell: the draws with just this objective and kind. */
export function taken(plan: Plan, path: string, kind: string): number {
  return plan.steps.reduce((sum, step) => {
    const cell = cellOf(step);
    return cell?.path === path && cell.kind === kind ? sum + (step.draw?.take ?? 0) : sum;
  }, 0);
}

/** How many each form has. */
export const questionsIn = (plan: Plan) => plan.steps.reduce((sum, step) => sum + (step.draw?.take ?? 1), 0);

/** The plan with another number in a cell: a draw made, changed or taken out. */
export function withCell(plan: Plan, path: string, kind: Schema['Kind'], take: number, order: string[]): Plan {
  const isCell = (step: Schema['Step']) => {
    const cell = cellOf(step);
    return cell?.path === path && cell.kind === kind;
  };
  const known = plan.steps.find(isCell);
  if (take === 0) return { ...plan, steps: plan.steps.filter((step) => !isCell(step)) };
  if (known?.draw) {
    const draw = { ...known.draw, take };
    return {
      ...plan,
      steps: plan.steps.map((step) => (step === known ? { draw } : step)).filter((step) => !isCell(step) || step.draw === draw),
    };
  }
  const added: Schema['Step'] = { draw: { take, pool: { objective: path, kinds: [kind] } } };
  // A new draw goes where its objective stands on the board.
  const at = plan.steps.findIndex((step) => {
    const cell = cellOf(step);
    return cell !== null && order.indexOf(cell.path) > order.indexOf(path);
  });
  return { ...plan, steps: at < 0 ? [...plan.steps, added] : plan.steps.toSpliced(at, 0, added) };
}

export const editedOf = (blueprint: Blueprint): Edited => ({ title: blueprint.title, plan: blueprint.plan, rules: blueprint.rules });

/** A blueprint that saves itself a moment after the last change. */
export function usePlan(blueprint: Blueprint) {
  const queries = useQueryClient();
  const versionRef = useRef(blueprint.version);
  const saving = useAutosave<Edited, Blueprint>({
    thing: `blueprint:${blueprint.id}`,
    shelf: `zetema:blueprint:${blueprint.id}`,
    initial: editedOf(blueprint),
    versionRef,
    save: (body, over, keepalive) =>
      dataOf(api.PUT('/blueprints/{id}', { params: { path: { id: blueprint.id } }, body: { ...body, version: over }, keepalive })),
    versionOf: (saved) => saved.version,
    valueOf: editedOf,
    onSaved: (saved) => {
      queries.setQueryData(keys.blueprint(blueprint.id), saved);
      void queries.invalidateQueries({ queryKey: keys.blueprints() });
    },
    delay: 400,
  });
  return { ...saving, change: (part: Partial<Edited>) => saving.put({ ...saving.latest.current, ...part }), versionRef };
}
