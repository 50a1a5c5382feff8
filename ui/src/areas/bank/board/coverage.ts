import type { Schema } from '../../../api/client';

type Blueprint = Schema['Blueprint'];
interface Step {
  draw?: { pool: { objective?: string; kinds?: string[] } } | undefined;
}

/** How a draw's pool reads as a cell of the board: one objective, one kind and no other condition. */
export function cellOf(step: Step): { path: string; kind: string } | null {
  const pool = step.draw?.pool;
  const [kind, more] = pool?.kinds ?? [];
  const plain = pool && Object.keys(pool).every((key) => key === 'objective' || key === 'kinds');
  return plain && pool.objective && kind && more === undefined ? { path: pool.objective, kind } : null;
}

/** Whether a draw of a blueprint takes from a cell, and whether that draw asks for as much as there is, or more. */
export function needOf(blueprint: Blueprint | undefined, path: string, kind: string): 'none' | 'covered' | 'thin' {
  let need: 'none' | 'covered' | 'thin' = 'none';
  let drawNumber = -1;
  for (const step of blueprint?.plan.steps ?? []) {
    if (!step.draw) continue;
    drawNumber += 1;
    const { objective = '', kinds = [], below = true } = step.draw.pool;
    if (step.draw.pool.in !== undefined) continue; // from which cells is not said here
    const inObjective = objective === '' || path === objective || (below && path.startsWith(`${objective} > `));
    if (!inObjective || (kinds.length > 0 && !kinds.some((k) => k === kind))) continue;
    const proof = blueprint?.proof.draws[drawNumber];
    const short = blueprint?.proof.shortage?.draws.includes(drawNumber + 1) ?? false;
    if (short || (proof && proof.take >= proof.fit)) return 'thin';
    need = 'covered';
  }
  return need;
}
