import { createContext, use } from 'react';
import type { Content } from '../content';

const ids = (rows: { id?: number }[] | undefined) => (rows ?? []).map((row, i) => row.id ?? i + 1);

/** The ids of a question's lines in the order written, by the word for a line: "answer", "pair", "gap" … */
export function lineIds(content: Content): Record<string, number[]> {
  return {
    answer: ids(content.choices ?? content.wordings ?? content.spans),
    gap: ids(content.gaps?.map(({ part }) => part)),
    pair: ids(content.pairs),
    item: ids(content.items),
    area: ids(content.regions),
    label: ids(content.labels),
    hint: ids(content.hints),
  };
}

/** "answer 2" as "answer:5", which stays the same wherever the answer is moved; what is no numbered line stays as it is. */
export function atLine(lines: Record<string, number[]>, place: string): string {
  const [, word = '', n = ''] = /^([a-z]+) (\d+)$/.exec(place) ?? [];
  const id = lines[word]?.[Number(n) - 1];
  return id === undefined ? place : `${word}:${id}`;
}

/** Whether something kept at a line has lost it. */
export function isGone(lines: Record<string, number[]>, at: string): boolean {
  const [, word = '', id = ''] = /^([a-z]+):(\d+)$/.exec(at) ?? [];
  return word !== '' && !(lines[word]?.includes(Number(id)) ?? false);
}

/** Rows that had no id get their place as one, which is what they are known by. */
export function withIds(content: Content): Content {
  const fill = <T extends { id?: number }>(rows: T[] | undefined) => rows?.map((row, i) => ({ ...row, id: row.id ?? i + 1 }));
  const filled = {
    wordings: fill(content.wordings),
    spans: fill(content.spans),
    regions: fill(content.regions),
    hints: fill(content.hints),
  };
  return { ...content, ...Object.fromEntries(Object.entries(filled).filter(([, rows]) => rows !== undefined)) };
}

export const LinesContext = createContext<Record<string, number[]>>({});

/** The id of the line that stands at a place of the question on the page. */
export const useAt = (place: string) => atLine(use(LinesContext), place);
