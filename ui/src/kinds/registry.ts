import { claim } from './claim';
import type { Content, Kind } from './content';
import { kinds } from './facts.gen';
import { gaps } from './gaps';
import { groups } from './groups';
import type { KindUi } from './kindUi';
import { number } from './number';
import { one } from './one';
import { order } from './order';
import { pairs } from './pairs';
import { place } from './place';
import { rating } from './rating';
import { regions } from './regions';
import { several } from './several';
import { text } from './text';

const registry: { [K in Kind]: KindUi<K> } = { one, several, claim, number, text, gaps, pairs, groups, order, regions, place, rating };

/**
 * Of the kind that a question is of, whichever that is. Nothing can tell a compiler that the content and what is done with it are of
 * one kind; here it is said, once.
 */
export const kindUi = (of: { kind: Kind }) => registry[of.kind] as unknown as KindUi<Kind>;

export const kindFacts = (of: { kind: Kind }) => kinds[of.kind];

const ids = (rows: { id?: number }[]) => rows.map((row, i) => row.id ?? i + 1);

/** The ids of a question's lines in the order written, by the word for a line: "answer", "pair", "gap" … */
export const lineIds = (content: Content): Record<string, number[]> => ({
  [kindFacts(content).line]: ids(kindUi(content).lines(content)),
  hint: ids(content.hints ?? []),
});

/** Rows that had no id get their place as one, which is what they are known by. */
export function withIds(content: Content): Content {
  const filled = kindUi(content).withIds?.(content) ?? content;
  return filled.hints ? { ...filled, hints: filled.hints.map((hint, i) => ({ ...hint, id: hint.id ?? i + 1 })) } : filled;
}

const hasText = ({ text }: { text: string }) => text.trim() !== '';

/** The content without rows that are empty, so that the row one is about to write in does not keep the rest from being whole. */
export function tidy(content: Content): Content {
  const { outcomeTexts, notes, hints } = content;
  return {
    ...kindUi(content).tidy(content),
    ...(outcomeTexts && { outcomeTexts: outcomeTexts.filter(hasText) }),
    ...(notes && { notes: notes.filter(hasText) }),
    ...(hints && { hints: hints.filter(hasText) }),
  };
}
