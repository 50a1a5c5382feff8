import type { ComponentType, ReactNode } from 'react';
import type { Content, ContentOf, Kind, Margin, QuestionOf, Response } from './content';

/** What the rows of a question are given. */
export interface RowsProps<K extends Kind> {
  content: ContentOf<K>;
  margin: Margin | null;
  readOnly: boolean;
  edit: (make: (content: ContentOf<K>) => ContentOf<K>) => void;
  bank: number;
}

/** What answering a question is given. */
export interface AnswerProps<K extends Kind> {
  question: QuestionOf<K>;
  response: Response;
  onRespond: (response: Response, typing: boolean) => void;
}

/** The settings of a question as values that can be typed over. */
export interface SettingParts {
  get: (word: string) => string;
  value: (word: string, label: string) => ReactNode;
  pick: (word: string, label: string, options: { value: string; words: string }[]) => ReactNode;
}

/** What the interface has to know of a kind beside its facts. Its folder is the one place where it is said. */
export interface KindUi<K extends Kind> {
  /** how it is written: its lines, each with its margin */
  Rows: ComponentType<RowsProps<K>>;
  /** how it is answered */
  Answer: ComponentType<AnswerProps<K>>;
  /** whether its answers stand within the stem, so that they show it */
  isWithinStem?: boolean;
  /** once given it is read in words, on its picture if it has one, rather than where it was given */
  isGivenInWords?: true;
  /** the line that tells how to answer, where it depends on more than the kind */
  howTo?: (question: QuestionOf<K>) => string | null;
  /** the response after the key of a number, where there are choices to number */
  pressed?: (question: QuestionOf<K>, response: Response, n: number) => Response;
  /** its own settings, in the sentence of the margin */
  Settings?: ComponentType<SettingParts>;
  /** its lines in the order written */
  lines: (content: ContentOf<K>) => { id?: number }[];
  /** the content without rows that are empty; lines without an id get one */
  tidy: (content: ContentOf<K>) => ContentOf<K>;
  withIds?: (content: ContentOf<K>) => ContentOf<K>;
  /** under "weighed": every line with its points, remembered ones by place */
  weighed?: (content: ContentOf<K>, remembered: Weights) => ContentOf<K>;
  unweighed?: (content: ContentOf<K>) => ContentOf<K>;
  weights?: (content: ContentOf<K>) => Weights;
  /** for surveys: nothing in it is right */
  withoutKeys?: (content: ContentOf<K>) => ContentOf<K>;
  /** pasted lines as answers */
  withLines?: (content: ContentOf<K>, lines: string[]) => ContentOf<K>;
  /** the marked words of the stem as an answer */
  withMarked?: (content: ContentOf<K>, from: number, to: number) => ContentOf<K>;
}

export type Weights = (string | undefined)[];
export type Edit = (make: (content: Content) => Content) => void;
