import type { Content } from '../../../kinds/content';
import type { Weights } from '../../../kinds/kindUi';
import { kindUi } from '../../../kinds/registry';
import { isWeighed } from '../../../kinds/common/rows/rows';

/** What going over to weights takes away, to bring back on the way back. */
export interface Remembered {
  points: string | undefined;
  /** By the place of the line. */
  weights: Weights;
}

/** The content under another marking: weights and points come back when one goes to and fro. */
export function markedBy(
  content: Content,
  marking: string,
  before: Remembered | null,
  worth: string | undefined,
): { content: Content; remembered: Remembered | null } {
  const was = isWeighed(content);
  const weights = kindUi(content).weights?.(content) ?? [];
  const next = reset(content, 'marking', marking, before?.weights);
  if (marking === 'weighed') {
    return { content: next, remembered: { points: content.settings?.points, weights: before?.weights ?? weights } };
  }
  // Where nothing is remembered, the question stays worth what its weights made it.
  const points = before ? before.points : worth;
  const back = was && points !== undefined && next.settings?.points === undefined;
  return {
    content: back ? { ...next, settings: { ...next.settings, points } } : next,
    remembered: was ? { points, weights } : before,
  };
}

/** For surveys: nothing is right, everything is recorded. */
export function withoutKeys(content: Content): Content {
  const plainly = reset(reset(content, 'marking', null), 'key', 'none');
  return kindUi(content).withoutKeys?.(plainly) ?? plainly;
}

/** A setting made or set back, with what follows from it: weights come and go with "weighed", keys go with "recorded only". */
export function reset(content: Content, word: string, value: string | null, weights: Weights = []): Content {
  const without = (settings: Record<string, string>, gone: string) =>
    Object.fromEntries(Object.entries(settings).filter(([key]) => key !== gone));
  const rest = without(content.settings ?? {}, word);
  const settings = value === null ? rest : { ...rest, [word]: value };
  if (word !== 'marking') return { ...content, settings };
  const { weighed, unweighed } = kindUi(content);
  const next = { ...content, settings: value === 'weighed' ? without(settings, 'points') : settings };
  return (value === 'weighed' ? weighed?.(next, weights) : unweighed?.(next)) ?? next;
}
