import { describe, expect, it } from 'vitest';
import {
  copied,
  copiedSection,
  divided,
  type Blueprint,
  type Document,
  freeId,
  inserted,
  joined,
  moved,
  movedSection,
  placedSection,
  nudged,
  numbered,
  putSection,
  redirected,
  removed,
  type Step,
} from '../../../src/areas/blueprint/document';
import { arcs, inLanes } from '../../../src/areas/blueprint/running/route/Gutter';
import { offers } from '../../../src/areas/blueprint/running/typedStep';
import { conditionWords, poolWords, stepWords, wayWords } from '../../../src/areas/blueprint/running/words';
import { duration } from '../../../src/areas/blueprint/typed';

const q = (n: number): Step => ({ id: `q${n}`, question: `question ${n}` });
const way = (to: string, otherwise?: string): Step => ({
  id: 'c1',
  checkpoint: { routes: [{ when: { points: 'all', is: '>=', value: '5' }, to }], ...(otherwise !== undefined && { otherwise }) },
});
const document = (...sections: Step[][]): Document => ({
  v: 2,
  title: 'T',
  sections: sections.map((steps, i) => ({ id: `s${i + 1}`, title: `Part ${i + 1}`, steps })),
});
/** Ids by section: "q1 q2 | q3". */
const order = (doc: Document) => doc.sections.map(({ steps }) => steps.map(({ id }) => id).join(' ')).join(' | ');
const led = (doc: Document) =>
  numbered(doc).flatMap(({ step }) => {
    if ('page' in step) return step.then ?? [];
    if ('checkpoint' in step) return [...(step.checkpoint.routes ?? []).map(({ to }) => to), step.checkpoint.otherwise ?? []].flat();
    return 'question' in step ? Object.values(step.leads ?? {}).map((lead) => lead?.then ?? '') : [];
  });

describe('a running order', () => {
  const doc = document([q(1), q(2)], [q(3), q(4)]);

  it.each<[string, Document, string]>([
    ['one up', nudged(doc, 'q2', -1), 'q2 q1 | q3 q4'],
    ['one down', nudged(doc, 'q1', 1), 'q2 q1 | q3 q4'],
    ['down over the edge of its section', nudged(doc, 'q2', 1), 'q1 | q2 q3 q4'],
    ['up over the edge of its section', nudged(doc, 'q3', -1), 'q1 q2 q3 | q4'],
    ['not up from the very first place', nudged(doc, 'q1', -1), 'q1 q2 | q3 q4'],
    ['not down from the very last place', nudged(doc, 'q4', 1), 'q1 q2 | q3 q4'],
    ['nothing that is not there', nudged(doc, 'q9', 1), 'q1 q2 | q3 q4'],
    ['to a later place of its section', moved(doc, 'q1', { section: 's1', index: 2 }), 'q2 q1 | q3 q4'],
    ['to another section', moved(doc, 'q1', { section: 's2', index: 1 }), 'q2 | q3 q1 q4'],
  ])('moves a step %s', (_, next, expected) => {
    expect(order(next)).toBe(expected);
  });

  it.each<[string, Document, string]>([
    ['begins a section', divided(doc, { section: 's1', index: 1 }, 'New').document, 'q1 | q2 | q3 q4'],
    ['joins a section to the one before', joined(doc, 's2'), 'q1 q2 q3 q4'],
    ['joins the first to the one behind', joined(doc, 's1'), 'q1 q2 q3 q4'],
    ['cannot join the only one', joined(document([q(1)]), 's1'), 'q1'],
    ['moves a section', movedSection(doc, 's2', -1), 'q3 q4 | q1 q2'],
    ['puts a section where a later one is', placedSection(doc, 's1', 's2'), 'q3 q4 | q1 q2'],
    ['leaves a section where it is', placedSection(doc, 's1', 's1'), 'q1 q2 | q3 q4'],
    ['does not move the first one up', movedSection(doc, 's1', -1), 'q1 q2 | q3 q4'],
    ['copies a step', copied(doc, 'q2').document, 'q1 q2 q5 | q3 q4'],
    ['copies a section', copiedSection(doc, 's1'), 'q1 q2 | q5 q6 | q3 q4'],
    ['puts a step in', inserted(doc, { section: 's2', index: 0 }, { page: 'welcome' }).document, 'q1 q2 | p1 q3 q4'],
    ['takes a step out', removed(doc, 'q3'), 'q1 q2 | q4'],
  ])('%s', (_, next, expected) => {
    expect(order(next)).toBe(expected);
  });

  it('gives ids that nothing has, neither steps nor sections', () => {
    expect([freeId(doc, 'q'), freeId(doc, 's'), freeId(doc, 'd')]).toEqual(['q5', 's3', 'd1']);
  });

  it.each<[string, Document, string[]]>([
    ['to what follows a step that is taken out', removed(document([q(1), way('q3', 'q4')], [q(3), q(4)]), 'q3'), ['q4', 'q4']],
    ['to the end where nothing follows it', removed(document([q(1), way('q2'), q(2)]), 'q2'), ['end']],
    ['to the first step of a section that was joined', joined(document([way('s2'), q(1)], [q(2)]), 's2'), ['q2']],
    ['to what follows where it is said so', redirected(document([way('q2', 'q2'), q(2)]), 'q2', null), ['next', 'next']],
    ['from a page', removed(document([{ id: 'p1', page: 'a', then: 'q2' }, q(1), q(2), q(3)]), 'q2'), ['q3']],
    ['from a choice', removed(document([{ ...q(1), leads: { 1: { then: 'q2' }, 2: null } } as Step, q(2), q(3)]), 'q2'), ['q3', '']],
  ])('leads on %s', (_, next, expected) => {
    expect(led(next)).toEqual(expected);
  });

  it('keeps ways within a copied section within the copy', () => {
    const copy = copiedSection(document([way('q2'), q(1), q(2)]), 's1');
    expect([order(copy), led(copy)]).toEqual(['c1 q1 q2 | c2 q3 q4', ['q2', 'q4']]);
  });

  it('says of a section only what it says', () => {
    expect(putSection({ ...doc, sections: [{ id: 's1', time: '5 min', steps: [] }] }, 's1', { time: undefined } as never).sections).toEqual(
      [{ id: 's1', steps: [] }],
    );
  });
});

describe('the routes beside the running order', () => {
  it('are those that lead elsewhere than to what follows, each once', () => {
    const doc = document([way('q2', 'end'), q(1), q(2)], [{ id: 'p1', page: 'a', then: 'end' }, q(3)]);
    expect(arcs(doc)).toEqual([
      { from: 0, to: 2 },
      { from: 0, to: 5 },
      { from: 3, to: 5 },
    ]);
    expect(arcs(document([way('s2', 's2'), q(1)], [q(2)]))).toEqual([{ from: 0, to: 2 }]);
    expect(arcs(document([q(1), way('q1'), q(2)]))).toEqual([]);
  });

  it('stand beside each other where they run along the same steps, the shortest innermost', () => {
    expect(
      inLanes([
        { from: 0, to: 5 },
        { from: 1, to: 3 },
        { from: 3, to: 5 },
      ]).map(({ from, lane }) => [from, lane]),
    ).toEqual([
      [1, 0],
      [3, 0],
      [0, 1],
    ]);
  });
});

describe('in words', () => {
  const telling = {
    document: document([q(1)], [q(2)]),
    questions: {
      trim: { id: 1, stem: 'How is it trimmed?', kind: 'one', worth: '2', status: 'cleared', isDealt: true, choices: ['Short', ''] },
    },
  } as never as Parameters<typeof conditionWords>[1];

  it.each<[string, Parameters<typeof conditionWords>[0], string]>([
    ['points', { points: 'all', is: '>=', value: '12' }, 'at least 12 points so far'],
    ['percent of a section', { percent: { section: 's2' }, is: '<', value: '50' }, 'less than 50 % in “Part 2”'],
    [
      'points of questions',
      { points: { questions: ['trim', 'wick'] }, is: 'between', value: ['2', '5'] },
      'from 2 to 5 points in “trim”, “wick”',
    ],
    ['a tally', { tally: 'patience', is: '=', value: '5' }, 'patience exactly 5'],
    ['an outcome', { outcome: 'trim', is: ['wrong', 'out of time'] }, '“trim” is wrong or out of time'],
    ['a choice', { chosen: 'trim', choice: 1 }, '“trim” is answered with A (Short)'],
    ['a choice without text', { chosen: 'trim', choice: 2 }, '“trim” is answered with B'],
    [
      'both of several',
      {
        all: [
          { points: 'all', is: '>', value: '1' },
          {
            any: [
              { tally: 'a', is: '>=', value: '1' },
              { tally: 'b', is: '>=', value: '1' },
            ],
          },
        ],
      },
      'more than 1 point so far and (a at least 1 or b at least 1)',
    ],
    ['the opposite', { not: { points: 'all', is: '<=', value: '1' } }, 'not (at most 1 point so far)'],
  ])('%s', (_, when, expected) => {
    expect(conditionWords(when, telling)).toBe(expected);
  });

  it.each([
    ['next', 'what follows'],
    ['end', 'the end'],
    ['q2', '2'],
    ['s2', '2'],
    ['gone', '“gone”'],
  ])('where “%s” leads', (to, expected) => {
    expect(wayWords(to, telling)).toBe(expected);
  });

  it.each<[Parameters<typeof poolWords>[0], string]>([
    [{}, 'all questions'],
    [{ objective: 'Hive > Frame', kinds: ['one', 'claim'] }, 'Hive › Frame: one or claim'],
    [
      { objective: 'Hive', below: false, tags: ['spring'], difficulty: ['easy', 'medium'] },
      'Hive (not below): tagged spring: easy or medium',
    ],
    [{ in: 'Swarms', without: ['a'], also: ['b', 'c'] }, 'the pool “Swarms” without “a” and “b”, “c”'],
    [{ only: ['a', 'b'] }, '“a”, “b”'],
    [{ only: ['a', 'b', 'c', 'd', 'e'], without: ['f', 'g', 'h', 'i'] }, '5 questions picked by hand without 4 questions'],
  ])('a pool %#', (pool, expected) => {
    expect(poolWords(pool, {})).toBe(expected);
  });

  it('calls a question that was just put in by its name or its words, never by its id', () => {
    const known = (id: number, stem: string) => ({ id, stem }) as Blueprint['questions'][string];
    const stem = 'How long does a worker stay in her capped cell before she comes out?';
    const questions = { q7: known(7, 'How?'), trim: known(7, 'How?'), q8: known(8, stem), wick: known(9, 'Which?') };
    expect(poolWords({ only: ['q7', 'wick'], also: ['q8', 'q99'] }, questions)).toBe(
      '“trim”, “wick” and “How long does a worker stay in her capp …”, “q99”',
    );
  });

  it.each<[string, Step, string, string[]]>([
    ['a page', { id: 'p', page: 'welcome', then: 'q2' }, 'welcome', ['page', 'then 2']],
    ['a question by its stem', { id: 'q', question: 'trim', settings: { points: '5' } }, 'How is it trimmed?', ['one', 'trim', 'points 5']],
    ['a question that is not there', { id: 'q', question: 'gone' }, 'gone', []],
    [
      'what it leads to and goes back to',
      { id: 'q', question: 'trim', leads: { 1: { page: 'a' } }, refresher: { pages: ['wick'] } },
      'How is it trimmed?',
      ['one', 'trim', '1 choice leads on', 'failed: “wick”, and back'],
    ],
    [
      'a draw',
      { id: 'd', draw: { take: 3, pool: { kinds: ['one'] }, place: 'mixed' }, refresher: null },
      'take 3 of one',
      ['mixed', 'no refresher'],
    ],
    ['a checkpoint', way('q2'), 'checkpoint: at least 5 points so far → 2; otherwise → what follows', ['silent']],
    ['an announced one', { id: 'c', checkpoint: { otherwise: 'end', announced: true } }, 'checkpoint: otherwise → the end', ['announced']],
  ])('%s', (_, step, main, more) => {
    expect([stepWords(step, telling).main, stepWords(step, telling).more]).toEqual([main, more]);
  });
});

describe('a step that is typed', () => {
  const offered = {
    objectives: ['Hive inspection', 'Hive inspection > Order of work', 'Health'],
    pages: ['why eggs matter', 'a word before swarm day'],
    pools: ['Open evening', 'Swarm season'],
    questions: [{ name: 'q16', stem: 'fresh eggs · Which sign?' }],
  };
  const pools = (typed: string) =>
    offers(typed, offered).map((offer) => ('step' in offer && 'draw' in offer.step ? offer.step.draw : null));

  it.each<[string, object[]]>([
    [
      '3 of hive inspection, one',
      [
        { take: 3, pool: { objective: 'Hive inspection', kinds: ['one'] } },
        { take: 3, pool: { objective: 'Hive inspection > Order of work', kinds: ['one'] } },
      ],
    ],
    ['2 order of work', [{ take: 2, pool: { objective: 'Hive inspection > Order of work' } }]],
    ['1 of health: one or true or false', [{ take: 1, pool: { objective: 'Health', kinds: ['one', 'claim'] } }]],
    ['1 of health, one, claim', [{ take: 1, pool: { objective: 'Health', kinds: ['one', 'claim'] } }]],
    ['4 of claim', [{ take: 4, pool: { kinds: ['claim'] } }]],
    ['2 x multiple choice, number', [{ take: 2, pool: { kinds: ['one', 'number'] } }]],
    ['2 of pool swarm', [{ take: 2, pool: { in: 'Swarm season' } }]],
    ['1 of open', [{ take: 1, pool: { in: 'Open evening' } }]],
    ['0 of health', []],
    ['3 of nothing like it', []],
  ])('“%s” is a draw', (typed, expected) => {
    expect(pools(typed).slice(0, expected.length || 1)).toEqual(expected);
  });

  it.each<[string, string[]]>([
    ['', []],
    ['page word', ['a word before swarm day']],
    ['check', ['checkpoint', 'fresh eggs · Which sign?']],
    ['section', ['a section begins here']],
    ['Section The test', ['section “The test” begins here']],
    ['eggs', ['why eggs matter', 'fresh eggs · Which sign?']],
  ])('“%s” offers what fits', (typed, expected) => {
    expect(offers(typed, offered).map(({ words }) => words)).toEqual(expected);
  });

  it('a question is called by its id, a section keeps its title', () => {
    expect(offers('eggs', offered)[1]).toMatchObject({ step: { question: 'q16' } });
    expect(offers('section The Test', offered)[0]).toMatchObject({ section: 'The Test' });
  });
});

it.each([
  ['10', '10 min'],
  ['10 min', '10 min'],
  ['90s', '90 s'],
  ['1.5 min', '90 s'],
  ['2 h', '120 min'],
  ['0', null],
  ['25 h', null],
  ['soon', null],
])('the duration “%s” is %s', (typed, expected) => {
  expect(duration(typed)).toBe(expected);
});
