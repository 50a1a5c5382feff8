import type { Schema } from '../api/client';
import type { ContentOf, Kind } from './content';
import { kinds } from './facts.gen';

// What the generated file of facts says, in types.

/** What is so for every question of a kind. */
export interface KindFacts<K extends Kind> {
  /** by which it is found */
  names: string[];
  /** the word for one of its lines */
  line: string;
  /** how a candidate is told to answer, where a question has no words of its own */
  how: string;
  stemHint: string;
  /** share rules that go with it */
  rules: string[];
  /** settings that only some kinds have */
  settings: string[];
  /** what counts for it where nothing is set, unless it is what counts for all */
  defaults: Record<string, string>;
  isJudged: boolean;
  isPartly: boolean;
  isStatement: boolean;
  /** a new one, with as many rows as one mostly needs */
  empty: ContentOf<K>;
}

export const allKinds = Object.keys(kinds) as Kind[];

export type Kinds = { [K in Kind]: KindFacts<K> };
/** What counts for a setting where nothing is said, and the words it takes, where they are few. */
export type Settings = Record<string, { house: string | null; words: string[] }>;
export type Outcomes = Record<Schema['Outcome'], string>;
