import type { Content } from './content';

export type Kind = Content['kind'];

/** The kinds with the words by which they are found, the most used first. */
export const kinds: { kind: Kind; words: string[] }[] = [
  { kind: 'one', words: ['one', 'multiple choice'] },
  { kind: 'several', words: ['several', 'multiple response'] },
  { kind: 'claim', words: ['claim', 'true or false'] },
  { kind: 'text', words: ['text', 'short text'] },
  { kind: 'number', words: ['number', 'numeric'] },
  { kind: 'gaps', words: ['gaps', 'gap fill'] },
  { kind: 'pairs', words: ['pairs', 'matching'] },
  { kind: 'groups', words: ['groups', 'sorting into groups'] },
  { kind: 'order', words: ['order', 'ordering'] },
  { kind: 'regions', words: ['regions', 'hotspot'] },
  { kind: 'place', words: ['place', 'labels on a picture'] },
  { kind: 'rating', words: ['rating', 'a scale'] },
];

export const stemHint: Partial<Record<Kind, string>> = {
  claim: 'A statement that is true or false',
  gaps: 'A sentence with gaps; mark a word and press Ctrl G',
};

/** An empty question of a kind, with as many empty rows as one mostly needs. */
export function empty(kind: Kind): Content {
  const base: Content = { v: 1, kind, stem: '' };
  const parts = (n: number, more: object = {}) => Array.from({ length: n }, (_, i) => ({ id: i + 1, text: '', ...more }));
  switch (kind) {
    case 'one':
    case 'several':
      return { ...base, choices: parts(4).map((p, i) => ({ ...p, key: i === 0 })) };
    case 'claim':
      return {
        ...base,
        choices: [
          { id: 1, text: 'true', key: true },
          { id: 2, text: 'false', key: false },
        ],
      };
    case 'text':
      return { ...base, wordings: [{ text: '' }] };
    case 'number':
      return { ...base, spans: [{ span: '' }] };
    case 'gaps':
      return { ...base, gaps: [], settings: { marking: 'parts' } };
    case 'pairs':
      return { ...base, pairs: parts(3).map((p) => ({ ...p, with: '', belongs: [String(p.id)] })), settings: { marking: 'parts' } };
    case 'groups':
      return { ...base, groups: ['', ''], items: parts(2, { belongs: ['1'] }), settings: { marking: 'parts' } };
    case 'order':
      return { ...base, items: parts(3), settings: { marking: 'parts by neighbour' } };
    case 'regions':
      return { ...base, picture: { file: '', shows: '' }, regions: [] };
    case 'place':
      return { ...base, picture: { file: '', shows: '' }, spots: [], labels: parts(1, { belongs: ['1'] }), settings: { marking: 'parts' } };
    case 'rating':
      return { ...base, from: 1, to: 5, ends: ['', ''] };
  }
}

/** How a candidate is told to answer, where a question has no words of its own. */
export const usualHow: Record<Kind, string> = {
  one: 'Choose one.',
  several: 'Choose all that fit.',
  claim: 'Does this hold?',
  number: 'Type a number.',
  text: 'Type your answer.',
  gaps: 'Fill in what is missing.',
  pairs: 'Give each what belongs to it.',
  groups: 'Put each into its group.',
  order: 'Put them in order: drag, or press up and down.',
  regions: 'Click into the picture.',
  place: 'Put the labels onto the picture: press a label, then its spot.',
  rating: 'Choose a value.',
};
