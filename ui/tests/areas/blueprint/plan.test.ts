import { describe, expect, it } from 'vitest';
import type { Schema } from '../../../src/api/client';
import { cellOf, needOf } from '../../../src/areas/bank/board/coverage';
import type { Document } from '../../../src/areas/blueprint/document';
import { questionsIn, taken, withCell } from '../../../src/areas/blueprint/quota';

type Step = Schema['Step'];

const cell = (objective: string, kind: Schema['Kind'], take: number): Step => ({ draw: { take, pool: { objective, kinds: [kind] } } });
const order = ['Colony life', 'Hive inspection', 'Health'];

describe('a cell of the quota board', () => {
  it.each<[string, Step, { path: string; kind: string } | null]>([
    ['one objective and one kind', cell('Health', 'one', 2), { path: 'Health', kind: 'one' }],
    ['several kinds', { draw: { take: 1, pool: { objective: 'Health', kinds: ['one', 'claim'] } } }, null],
    ['any objective', { draw: { take: 1, pool: { kinds: ['one'] } } }, null],
    ['another condition besides', { draw: { take: 1, pool: { objective: 'Health', kinds: ['one'], tags: ['spring'] } } }, null],
    ['a fixed question', { question: 'fresh eggs' }, null],
  ])('is a draw from %s, or not', (_, step, expected) => {
    expect(cellOf(step)).toEqual(expected);
  });

  const document = (...steps: Document['sections'][number]['steps']): Document => ({ v: 2, title: 'T', sections: [{ id: 'all', steps }] });
  const drawn = (id: string, objective: string, kind: string, take: number) => ({ id, draw: { take, pool: { objective, kinds: [kind] } } });
  const paths = (doc: Document) =>
    doc.sections.flatMap(({ steps }) => steps.map((step) => cellOf('draw' in step ? step : {})?.path ?? 'fixed'));

  it('adds a draw where its objective stands', () => {
    const next = withCell(
      document(drawn('d1', 'Colony life', 'one', 2), drawn('d2', 'Health', 'one', 1)),
      'Hive inspection',
      'claim',
      3,
      order,
    );
    expect(paths(next)).toEqual(['Colony life', 'Hive inspection', 'Health']);
    expect([taken(next, 'Hive inspection', 'claim'), taken(next, 'Hive inspection', 'one'), questionsIn(next)]).toEqual([3, 0, 6]);
  });

  it.each<[string, Document, string[]]>([
    [
      'behind the last draw where nothing comes after it',
      document(drawn('d1', 'Colony life', 'one', 2), { id: 'q1', question: 'q' }),
      ['Colony life', 'Health', 'fixed'],
    ],
    ['last where there is no draw', document({ id: 'q1', question: 'q' }), ['fixed', 'Health']],
    ['first where there is nothing', document(), ['Health']],
  ])('adds it %s', (_, before, expected) => {
    expect(paths(withCell(before, 'Health', 'one', 1, order))).toEqual(expected);
  });

  it('keeps what else a draw says when its number changes, and makes one of two', () => {
    const shuffled = { ...drawn('d1', 'Health', 'one', 1), settings: { points: '5' } };
    const next = withCell(document(shuffled, drawn('d2', 'Health', 'one', 4)), 'Health', 'one', 3, order);
    expect(next.sections[0]?.steps).toEqual([{ ...shuffled, draw: { take: 3, pool: { objective: 'Health', kinds: ['one'] } } }]);
  });

  it('takes a draw out at nothing, and changes nothing where there was none', () => {
    const before = document(drawn('d1', 'Colony life', 'one', 2), drawn('d2', 'Health', 'one', 1));
    expect(withCell(before, 'Health', 'one', 0, order).sections[0]?.steps).toEqual([drawn('d1', 'Colony life', 'one', 2)]);
    expect(withCell(before, 'Health', 'claim', 0, order)).toEqual(before);
  });
});

describe('what the board tells of an assessment', () => {
  const blueprint = (steps: Step[], draws: { take: number; fit: number }[], short: number[] = []) =>
    ({ plan: { steps }, proof: { draws, shortage: short.length === 0 ? null : { draws: short } } }) as unknown as Schema['Blueprint'];

  it.each<[string, Schema['Blueprint'] | undefined, string, string, string]>([
    ['nothing without an assessment', undefined, 'Health', 'one', 'none'],
    ['enough', blueprint([cell('Health', 'one', 2)], [{ take: 2, fit: 9 }]), 'Health', 'one', 'covered'],
    ['all there is', blueprint([cell('Health', 'one', 2)], [{ take: 2, fit: 2 }]), 'Health', 'one', 'thin'],
    ['what lies below', blueprint([cell('Health', 'one', 2)], [{ take: 2, fit: 9 }]), 'Health > Mites', 'one', 'covered'],
    ['not what only begins alike', blueprint([cell('Health', 'one', 2)], [{ take: 2, fit: 9 }]), 'Healthy bees', 'one', 'none'],
    ['not another kind', blueprint([cell('Health', 'one', 2)], [{ take: 2, fit: 9 }]), 'Health', 'claim', 'none'],
    [
      'any kind where none is named',
      blueprint([{ draw: { take: 1, pool: { objective: 'Health' } } }], [{ take: 1, fit: 9 }]),
      'Health',
      'claim',
      'covered',
    ],
    [
      'only the objective itself where that is asked for',
      blueprint([{ draw: { take: 1, pool: { objective: 'Health', below: false } } }], [{ take: 1, fit: 9 }]),
      'Health > Mites',
      'one',
      'none',
    ],
    [
      'a draw that falls short with others',
      blueprint([{ question: 'q' }, cell('Health', 'one', 2)], [{ take: 2, fit: 9 }], [1]),
      'Health',
      'one',
      'thin',
    ],
  ])('%s', (_, of, path, kind, expected) => {
    expect(needOf(of, path, kind)).toBe(expected);
  });
});
