import type { Schema } from '../../api/client';
import type { Mapping } from './brought';

type Column = Schema['TableColumn'];

const places = [1, 2, 3, 4, 5, 6, 7, 8];
const letter = (place: number) => String.fromCharCode(64 + place);

/** What a column can hold, as it is chosen. */
export const meanings: { value: string; words: string }[] = [
  { value: '', words: 'nothing' },
  { value: 'stem', words: 'the stem' },
  { value: 'kind', words: 'the kind' },
  { value: 'key', words: 'the key' },
  ...places.map((place) => ({ value: `choices ${place}`, words: `choice ${letter(place)}` })),
  { value: 'choices', words: 'all choices' },
  ...[1, 2, 3].map((place) => ({ value: `distractors ${place}`, words: `a wrong answer, ${place}` })),
  { value: 'points', words: 'points' },
  { value: 'feedback', words: 'feedback' },
  { value: 'right', words: 'feedback if right' },
  { value: 'wrong', words: 'feedback if wrong' },
  ...places.slice(0, 5).map((place) => ({ value: `says ${place}`, words: `feedback to ${letter(place)}` })),
  { value: 'tolerance', words: 'the tolerance' },
  { value: 'unit', words: 'the unit' },
  { value: 'objective', words: 'the objective' },
  { value: 'subtopic', words: 'what is below it' },
  { value: 'tags', words: 'tags' },
  { value: 'difficulty', words: 'the difficulty' },
  { value: 'hint', words: 'a hint' },
  { value: 'name', words: 'the name' },
];

export const meaningOf = ({ means, place }: Pick<Column, 'means' | 'place'>) =>
  means === null ? '' : place === null ? means : `${means} ${place}`;

/** The mapping that says of every column what it holds; one meaning is held by one column, the one that was chosen last. */
export function mappingOf(headings: number, held: string[], chosen?: number): Mapping {
  const once = held.map((value, i) => (chosen !== undefined && i !== chosen && value === held[chosen] ? '' : value));
  const columns: Mapping['columns'] = {};
  const inOrder = once
    .map((value, i) => ({ means: value.split(' ')[0] ?? '', place: Number(value.split(' ')[1] ?? 0), column: i + 1 }))
    .filter(({ means }) => means !== '')
    .sort((a, b) => a.place - b.place);
  for (const { means, place, column } of inOrder) {
    if (place === 0) columns[means] = column;
    else {
      const list = [columns[means] ?? []].flat();
      while (list.length < place - 1) list.push(null);
      columns[means] = [...list, column];
    }
  }
  return { headings, columns };
}

/** A mapping as it was kept, which says all columns by their places. */
export const asMapping = ({ headings = 1, columns = {} }: Schema['TableMapping']): Mapping => ({
  headings,
  columns: columns as Mapping['columns'],
});

export type Kept = Schema['KeptMappings']['mappings'][number];

/** Those that were kept for these headings and say something else than what holds. */
export const fitting = (kept: Kept[], columns: Column[], now: Mapping): Kept[] =>
  kept.filter(
    ({ headings, mapping }) =>
      headings.join('\n') === columns.map(({ name }) => name).join('\n') && JSON.stringify(mapping) !== JSON.stringify(now),
  );
