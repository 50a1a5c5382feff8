import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useCallback, useEffect, useRef, useState } from 'react';
import { ApiError, api, type Schema, take } from '../../api/client';
import { cellOf } from '../bank/need';

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

/** A blueprint that saves itself a moment after the last change. */
export function usePlan(blueprint: Blueprint) {
  const queries = useQueryClient();
  const [edited, setEdited] = useState<Edited>({ title: blueprint.title, plan: blueprint.plan, rules: blueprint.rules });
  const version = useRef(blueprint.version);
  const timer = useRef<number | undefined>(undefined);
  const latest = useRef(edited);
  // From the first letter until the server has it, so that nothing is frozen or rehearsed without it.
  const [unsaved, setUnsaved] = useState(false);
  const save = useMutation({
    mutationFn: (body: Edited) =>
      take(api.PUT('/blueprints/{id}', { params: { path: { id: blueprint.id } }, body: { ...body, version: version.current } })),
    onSuccess: (saved, sent) => {
      version.current = saved.version;
      queries.setQueryData(['blueprint', blueprint.id], saved);
      void queries.invalidateQueries({ queryKey: ['blueprints'] });
      if (latest.current !== sent) saveNow();
      else setUnsaved(false);
    },
  });
  const { mutate } = save;
  const pending = useRef(false);
  useEffect(() => {
    pending.current = save.isPending;
  }, [save.isPending]);
  const saveNow = useCallback(() => {
    window.clearTimeout(timer.current);
    if (!pending.current) mutate(latest.current);
  }, [mutate]);
  const change = (part: Partial<Edited>) => {
    latest.current = { ...latest.current, ...part };
    setEdited(latest.current);
    setUnsaved(true);
    window.clearTimeout(timer.current);
    timer.current = window.setTimeout(saveNow, 400);
  };
  const later = save.error instanceof ApiError && save.error.maySucceedLater;
  useEffect(() => {
    if (!later) return;
    const again = window.setInterval(saveNow, 5000);
    return () => window.clearInterval(again);
  }, [later, saveNow]);
  useEffect(() => {
    window.addEventListener('zetema:logged-in', saveNow);
    return () => window.removeEventListener('zetema:logged-in', saveNow);
  }, [saveNow]);
  return { edited, change, save, saveNow, unsaved };
}
