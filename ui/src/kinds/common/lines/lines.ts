import { createContext, use } from 'react';

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

export const LinesContext = createContext<Record<string, number[]>>({});

/** The id of the line that stands at a place of the question on the page. */
export const useAt = (place: string) => atLine(use(LinesContext), place);
