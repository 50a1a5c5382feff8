import type { Schema } from '../../../../api/client';
import { outcomes, settings, statuses } from '../../../../kinds/facts.gen';

export type Change = Schema['ManyChange']['change'];

/** One thing that is wanted of many questions, as it is typed or picked. */
export interface Wish {
  what: string;
  value: string;
  /** for points of one kind: the kind; for replacing: what is put in place */
  more?: string;
}

/** What takes a question's own value away, so that it follows what is set further out. */
export const asTheBank = 'as the bank has it';

const words: Record<string, string> = {
  points: 'points become',
  'points of a kind': 'points of every',
  marking: 'marking becomes',
  'wrong part costs': 'a wrong part costs, in right parts,',
  'wrong costs': 'a wrong response costs',
  'blank costs': 'a blank one costs',
  attempts: 'attempts become',
  'attempt costs': 'a later attempt costs',
  stands: 'the attempt that stands is the',
  'hint costs': 'a hint costs',
  floor: 'a mark is never below',
  time: 'time for each becomes',
  late: 'out of time counts as',
  shuffle: 'answers are shuffled:',
  layout: 'answers stand in a',
  ignore: 'typed answers ignore',
  typos: 'typos allowed become',
  decimals: 'marks are rounded to decimals:',
  clicks: 'clicks allowed become',
  areas: 'areas of pictures are',
  how: 'how to answer is told by',
  graded: 'graded:',
  objective: 'they stand under',
  'tags put on': 'tagged also',
  'tags taken off': 'no longer tagged',
  difficulty: 'difficulty becomes',
  status: 'they are made',
  replace: 'in all texts,',
  ...Object.fromEntries(outcomes.map((outcome) => [`if ${outcome}`, `what is said when ${outcome} becomes`])),
};

export const wishes = Object.keys(words);
export const saying = (what: string) => words[what] ?? what;

/** The values there are, where one is picked. */
export function values(what: string): readonly string[] {
  if (what === 'status') return statuses;
  if (what === 'difficulty') return ['easy', 'medium', 'hard', 'none'];
  return (settings[what] as { words: string[] } | undefined)?.words ?? [];
}

const list = (typed: string) =>
  typed
    .split(',')
    .map((tag) => tag.trim())
    .filter((tag) => tag !== '');

/** The wishes as the server takes them; what is not typed yet is left out. */
export function toChange(all: Wish[]): Change {
  const change: Change = {};
  for (const { what, value, more = '' } of all) {
    if (value === '') continue;
    if (what === 'points of a kind') {
      if (more !== '') change.byKind = { ...change.byKind, [more]: { points: value } };
    } else if (what === 'objective') change.objective = value === 'no objective' ? '' : value;
    else if (what === 'tags put on') change.addTags = list(value);
    else if (what === 'tags taken off') change.dropTags = list(value);
    else if (what === 'difficulty') change.difficulty = value === 'none' ? '' : value;
    else if (what === 'status') change.status = value as Schema['Status'];
    else if (what === 'replace') change.replace = { find: value, with: more };
    else if (what.startsWith('if ')) change.feedback = { ...change.feedback, [what.slice(3)]: value === 'nothing' ? '' : value };
    else change.settings = { ...change.settings, [what]: value === asTheBank ? null : value.replace('−', '-') };
  }
  return change;
}

export const isEmpty = (change: Change) => Object.keys(change).length === 0;
