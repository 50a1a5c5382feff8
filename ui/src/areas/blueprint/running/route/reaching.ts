import type { CheckpointStep, Condition } from '../../document';

/** What a rehearsal that begins in the middle takes to have been reached before. */
export interface Assumed {
  earned: number;
  max: number;
  tallies: Record<string, number>;
}

type Sign = Extract<Condition, { points: unknown }>['is'];

const compared = (is: Sign, value: string | readonly string[], has: number): boolean => {
  const [from, to] = typeof value === 'string' ? [Number(value), Number(value)] : [Number(value[0]), Number(value[1])];
  switch (is) {
    case '>=':
      return has >= from;
    case '>':
      return has > from;
    case '<=':
      return has <= from;
    case '<':
      return has < from;
    case 'between':
      return has >= from && has <= to;
    default:
      return has === from;
  }
};

/** Whether a condition holds where nothing was asked yet and so much is assumed: what asks about answers does not. */
export function holds(when: Condition, assumed: Assumed): boolean {
  if ('points' in when) return ofQuestions(when.points) ? compared(when.is, when.value, 0) : compared(when.is, when.value, assumed.earned);
  if ('percent' in when)
    return compared(when.is, when.value, ofQuestions(when.percent) || assumed.max === 0 ? 0 : (100 * assumed.earned) / assumed.max);
  if ('tally' in when) return compared(when.is, when.value, assumed.tallies[when.tally] ?? 0);
  if ('all' in when) return when.all.every((part) => holds(part, assumed));
  if ('any' in when) return when.any.some((part) => holds(part, assumed));
  if ('not' in when) return !holds(when.not, assumed);
  return false;
}

const ofQuestions = (scope: Extract<Condition, { points: unknown }>['points']) => typeof scope === 'object' && 'questions' in scope;

/** The values that its conditions name, by what they measure. */
function named(when: Condition, into: { points: number[]; percent: number[]; tallies: Record<string, number[]> }): void {
  const values = (value: string | readonly string[]) => (typeof value === 'string' ? [value] : [...value]).map(Number);
  if ('points' in when) into.points.push(...values(when.value));
  else if ('percent' in when) into.percent.push(...values(when.value));
  else if ('tally' in when) (into.tallies[when.tally] ??= []).push(...values(when.value));
  else if ('not' in when) named(when.not, into);
  else if ('all' in when) when.all.forEach((part) => named(part, into));
  else if ('any' in when) when.any.forEach((part) => named(part, into));
}

/**
 * For each route of a checkpoint, and last for what happens otherwise, with what it is reached: the fewest points that do, of
 * the most that can have been asked, and tallies. Null: only by what was answered, or never.
 */
export function reaching({ routes = [] }: CheckpointStep['checkpoint'], most: number): (Assumed | null)[] {
  const of = { points: [] as number[], percent: [] as number[], tallies: {} as Record<string, number[]> };
  routes.forEach(({ when }) => named(when, of));
  const around = (values: number[]) => values.flatMap((value) => [value - 1, value, value + 1]);
  const points = [0, most, ...around(of.points), ...around(of.percent.map((percent) => Math.ceil((percent * most) / 100)))];
  let all: Assumed[] = [...new Set(points.filter((earned) => earned >= 0 && earned <= most))]
    .toSorted((a, b) => a - b)
    .map((earned) => ({ earned, max: most, tallies: {} }));
  for (const [tally, values] of Object.entries(of.tallies)) {
    const counts = [...new Set([0, ...around(values)])].toSorted((a, b) => Math.abs(a) - Math.abs(b));
    all = all.flatMap((one) => counts.map((value) => ({ ...one, tallies: { ...one.tallies, [tally]: value } }))).slice(0, 5_000);
  }
  const taken = (assumed: Assumed) => routes.findIndex(({ when }) => holds(when, assumed));
  return [...routes.keys(), -1].map((route) => all.find((assumed) => taken(assumed) === route) ?? null);
}
