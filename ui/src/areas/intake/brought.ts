import { useEffect, useState } from 'react';
import type { Schema } from '../../api/client';
import { useSettled } from '../../parts/hooks/useSettled';
import type { Beside } from './useOpened';
import { stored } from '../../parts/stored';

export type SourceFormat = Schema['SourceFormat'];
export const formats: { value: SourceFormat; words: string }[] = [
  { value: 'text', words: 'the text format' },
  { value: 'paper', words: 'a typed paper' },
  { value: 'table', words: 'a table' },
];

export type Given = Required<Omit<Schema['Given'], 'kind'>> & Pick<Schema['Given'], 'kind'>;
export interface Mapping {
  headings: number;
  columns: Record<string, number | (number | null)[]>;
}

/** What somebody brings: the text, as what it is read, and what its questions are given. */
export interface Brought {
  text: string;
  name: string;
  /** null: as it looks */
  as: SourceFormat | null;
  mapping: Mapping | null;
  given: Given;
  /** what a package had beside its questions */
  beside: Beside | null;
  /** lines of questions that are left out */
  left: number[];
  /** what becomes of those that the bank has, by their lines */
  again: Record<number, Decision>;
}

export type Decision = 'leave' | 'revise' | 'another';

/** What becomes of a question: one that the bank has by its name is left until somebody says otherwise; one of the same stem alone is taken in as it says itself. */
export function decisionOf(q: Schema['UnderstoodQuestion'], again: Brought['again']): Decision {
  return again[q.fromLine] ?? (q.known === null || (q.known.by !== 'name' && !q.known.isSame) ? 'another' : 'leave');
}

const nothing: Brought = {
  text: '',
  name: 'pasted text',
  as: null,
  mapping: null,
  given: { objective: '', tags: [], settings: {} },
  beside: null,
  left: [],
  again: {},
};

const shelf = (bank: number) => `zetema:intake:${bank}`;

/** Where the text of all banks stood before each had its own; what was typed then comes to the bank that is opened first. */
const olderShelf = 'zetema:intake';

function kept(bank: number): Brought | null {
  const own = stored(shelf(bank)) as Partial<Brought> | null;
  if (own !== null) return { ...nothing, ...own };
  const older = localStorage.getItem(olderShelf);
  if (older === null) return null;
  localStorage.removeItem(olderShelf);
  return { ...nothing, text: older };
}

/** What is being brought into a bank; leaving the page and coming back keeps all of it. */
export function useBrought(bank: number, sample: Partial<Brought> | null) {
  const [brought, setBrought] = useState<Brought>(() => kept(bank) ?? { ...nothing, ...sample });
  const isLong = brought.text.length > 200_000;
  const settled = useSettled(brought, 300);
  // A long text is not written at every key.
  const toKeep = isLong ? settled : brought;
  useEffect(() => {
    if (toKeep.text.length > 2_000_000) return;
    if (toKeep.text === '') localStorage.removeItem(shelf(bank));
    else localStorage.setItem(shelf(bank), JSON.stringify(toKeep));
  }, [bank, toKeep]);
  const put = (part: Partial<Brought>) => setBrought((old) => ({ ...old, ...part }));
  return { brought, put, setBrought };
}

/** What two packages had beside their questions, one below the other. */
export function together(one: Beside | null, other: Beside | undefined): Beside | null {
  if (!one || !other) return one ?? other ?? null;
  return {
    blueprints: [...(one.blueprints ?? []), ...(other.blueprints ?? [])],
    pictures: { ...one.pictures, ...other.pictures },
    unmatched: [...one.unmatched, ...other.unmatched],
    problems: [...one.problems, ...other.problems],
  };
}

/** What comes in beside the questions that are taken in. */
export const alongOf = (beside: Beside | null | undefined) =>
  beside ? { pictures: beside.pictures, blueprints: (beside.blueprints ?? []).map(({ document }) => document) } : {};

/** As the server takes it. */
export function bodyOf({ text, as, mapping, given }: Brought): Schema['Brought'] {
  return {
    text,
    ...(as !== null && { as }),
    ...(mapping !== null && as !== 'text' && as !== 'paper' && { mapping }),
    ...(isGiven(given) && { given }),
  };
}

export const isGiven = ({ objective, tags, settings, kind }: Given) =>
  objective !== '' || tags.length > 0 || Object.keys(settings).length > 0 || (kind ?? null) !== null;

/** How they are taken in: the lines, and which of them the bank has. */
export function chosenOf(questions: Schema['UnderstoodQuestion'][], again: Brought['again']) {
  const known = questions.filter((q) => q.known !== null);
  return {
    lines: questions.map((q) => q.fromLine),
    again: Object.fromEntries(
      known.map((q) => [q.fromLine, decisionOf(q, again) === 'revise' ? ('revise' as const) : ('another' as const)]),
    ),
  };
}

/** The text without the questions that were taken in; nothing, where nothing is left to take in. */
export function withoutTaken(text: string, understood: Schema['Understood'], taken: Schema['UnderstoodQuestion'][]): string {
  const lines = new Set(taken.map(({ fromLine }) => fromLine));
  if (understood.questions.every(({ fromLine }) => lines.has(fromLine))) return '';
  const gone = new Set(taken.flatMap((q) => Array.from({ length: q.toLine - q.fromLine + 1 }, (_, i) => q.fromLine + i)));
  const rest = text.split('\n').filter((_, i) => !gone.has(i + 1));
  return rest.join('\n').replace(/\n{3,}/g, '\n\n');
}
