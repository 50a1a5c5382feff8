import { settings as facts } from '../../../kinds/facts.gen';

/** A setting as a sentence: what stands before its value and after it, and its values where one is chosen. */
export interface Sentence {
  word: string;
  before: string;
  after?: string;
  /** the same after 1 */
  afterOne?: string;
  values?: { value: string; words: string }[];
  /** what stands where nothing is set and there is no house value */
  none?: string;
  /** it is a text of one's own */
  isText?: boolean;
}

const each = (values: readonly string[], words: Record<string, string> = {}) =>
  values.map((value) => ({ value, words: words[value] ?? value }));
const ofFacts = (word: string, words?: Record<string, string>) => each(facts[word]?.words ?? [], words);

const ignored = [
  'nothing',
  'case',
  'accents',
  'punctuation',
  'case, accents',
  'case, punctuation',
  'accents, punctuation',
  'case, accents, punctuation',
];

/** What can be set for many questions, under the heads under which authors look for it. */
export const groups: { head: string; sentences: Sentence[] }[] = [
  {
    head: 'marks',
    sentences: [
      { word: 'points', before: 'A question is worth', after: 'points.', afterOne: 'point.' },
      {
        word: 'marking',
        before: 'It is marked',
        after: '.',
        values: each(['whole', 'parts'], { whole: 'as a whole', parts: 'part by part' }),
      },
      {
        word: 'wrong part costs',
        before: 'A wrong part costs',
        after: 'right parts.',
        afterOne: 'right part.',
        none: 'as the kind has it',
      },
      { word: 'wrong costs', before: 'A wrong response costs', after: 'points.', afterOne: 'point.' },
      { word: 'blank costs', before: 'A blank one costs', after: 'points.', afterOne: 'point.' },
      { word: 'floor', before: 'A mark is never below', after: '.' },
      {
        word: 'decimals',
        before: 'Marks are rounded to',
        after: 'decimals.',
        afterOne: 'decimal.',
        values: each(['0', '1', '2', '3', '4']),
      },
    ],
  },
  {
    head: 'attempts and help',
    sentences: [
      {
        word: 'attempts',
        before: 'A question may be tried',
        after: 'times (a number, or unlimited).',
        afterOne: 'time (a number, or unlimited).',
      },
      { word: 'attempt costs', before: 'Each later attempt costs', after: '(points, or a share such as 50 %).' },
      { word: 'stands', before: 'Of several attempts the', after: 'one stands.', values: ofFacts('stands') },
      { word: 'hint costs', before: 'A hint costs', after: 'points.', afterOne: 'point.' },
    ],
  },
  {
    head: 'time',
    sentences: [
      { word: 'time', before: 'There is', after: 'for a question.', none: 'no time limit' },
      {
        word: 'late',
        before: 'When time runs out, it',
        after: '.',
        values: ofFacts('late', { wrong: 'counts as wrong', blank: 'counts as blank', marks: 'is marked as entered' }),
      },
    ],
  },
  {
    head: 'on the page',
    sentences: [
      { word: 'shuffle', before: 'Answers stand', after: '.', values: ofFacts('shuffle', { yes: 'shuffled', no: 'in the order written' }) },
      {
        word: 'layout',
        before: 'They stand in',
        after: '.',
        values: ofFacts('layout', { column: 'a column', row: 'a row', list: 'a list' }),
        none: 'a column',
      },
      { word: 'areas', before: 'Areas of a picture are', after: '.', values: ofFacts('areas') },
      { word: 'clicks', before: 'There may be', after: 'clicks (a number, or any).', afterOne: 'click (a number, or any).' },
      { word: 'how', before: 'How to answer is told by', none: 'the kind’s own line', isText: true },
    ],
  },
  {
    head: 'typed answers',
    sentences: [
      { word: 'ignore', before: 'They are compared without regard to', after: '.', values: each(ignored) },
      {
        word: 'typos',
        before: 'They may have',
        after: 'typing errors.',
        afterOne: 'typing error.',
        values: each(['0', '1', '2'], { 0: 'no' }),
      },
    ],
  },
];
