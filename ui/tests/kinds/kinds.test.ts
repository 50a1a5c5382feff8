import { describe, expect, it } from 'vitest';
import { markedBy, withoutKeys } from '../../src/areas/bank/question/marking';
import { mapIn, withPart } from '../../src/kinds/common/answers/answers';
import type { Content, Kind, Response } from '../../src/kinds/content';
import { kinds, rungs, settings } from '../../src/kinds/facts.gen';
import { closeGap, makeGap } from '../../src/kinds/gaps/gaps';
import { kindUi, lineIds, tidy, withIds } from '../../src/kinds/registry';
import { toggled } from '../../src/kinds/several/toggled';

/** A question of every kind with something in each of its lines. */
const written: { [K in Kind]: (typeof kinds)[K]['empty'] } = {
  one: { ...kinds.one.empty, choices: ['smoke', 'water'].map((text, i) => ({ id: i + 1, text, key: i === 0 })) },
  several: { ...kinds.several.empty, choices: ['smoke', 'water'].map((text, i) => ({ id: i + 1, text, key: i === 0 })) },
  claim: { ...kinds.claim.empty },
  number: { ...kinds.number.empty, spans: [{ span: '14' }, { span: '12 to 13', share: '50' }] },
  text: { ...kinds.text.empty, wordings: [{ text: 'varroa' }, { text: 'varroa mite' }] },
  gaps: {
    ...kinds.gaps.empty,
    stem: 'A ___ lays ___.',
    gaps: ['queen', 'eggs'].map((text, i) => ({ part: { id: i + 1, text: `gap ${i + 1}` }, wordings: [{ text }] })),
  },
  pairs: {
    ...kinds.pairs.empty,
    pairs: ['queen', 'drone'].map((text, i) => ({ id: i + 1, text, with: `side ${i}`, belongs: [String(i + 1)] })),
    spares: ['none'],
  },
  groups: {
    ...kinds.groups.empty,
    groups: ['bees', 'pests'],
    items: ['drone', 'mite'].map((text, i) => ({ id: i + 1, text, belongs: [String(i + 1)] })),
  },
  order: { ...kinds.order.empty, items: ['egg', 'larva'].map((text, i) => ({ id: i + 1, text })) },
  regions: { ...kinds.regions.empty, regions: [true, false].map((key, i) => ({ area: `ellipse ${i} 1 1 1`, key })) },
  place: {
    ...kinds.place.empty,
    spots: [{ x: 1, y: 1, radius: 9, name: null }],
    labels: ['queen', 'nowhere'].map((text, i) => ({ id: i + 1, text, belongs: i === 0 ? ['1'] : [] })),
  },
  rating: { ...kinds.rating.empty, ends: ['never', 'always'] },
};
const all = Object.entries(written) as [Kind, Content][];

describe.each(all)('a question of kind %s', (kind, content) => {
  it('has as many ids as lines, each once, and keeps them', () => {
    const ids = lineIds(withIds(content))[kinds[kind].line] ?? [];
    expect(ids).toEqual([...new Set(ids)]);
    expect(ids).toHaveLength(kindUi(content).lines(content).length);
    expect(lineIds(withIds(withIds(content)))).toEqual(lineIds(withIds(content)));
  });

  it('is saved whole when every row is full, and without the rows that are empty', () => {
    expect(tidy(content)).toEqual(content);
    const blank = tidy({
      ...content,
      hints: [{ text: ' ' }],
      notes: [{ when: [[{ outcome: 'wrong' }]], text: '' }],
      outcomeTexts: [{ outcome: 'right', text: '' }],
    });
    expect([blank.hints, blank.notes, blank.outcomeTexts]).toEqual([[], [], []]);
    const empty = tidy(kinds[kind].empty);
    expect(kindUi(empty).lines(empty)).toHaveLength(
      ['claim', 'regions'].includes(kind) ? kindUi(kinds[kind].empty).lines(kinds[kind].empty).length : 0,
    );
  });

  it('gets weights for every line that can have them, and gives them back', () => {
    if (!kinds[kind].rules.includes('weighed')) return;
    const { weights } = kindUi(content);
    const there = markedBy(content, 'weighed', null, '2');
    expect(weights?.(there.content).filter((weight) => weight !== undefined).length).toBeGreaterThan(0);
    expect(there.content.settings?.points).toBeUndefined();
    const back = markedBy(there.content, 'whole', there.remembered, '2');
    expect(weights?.(back.content)).toEqual(weights?.(content));
    const typed = markedBy(back.content, 'weighed', { points: undefined, weights: ['7', '3'] }, '2');
    expect(weights?.(typed.content)[0]).toBe('7');
  });

  it('can do without a key where surveys want it', () => {
    const plainly = withoutKeys(content);
    expect(plainly.settings?.key).toBe('none');
    expect(JSON.stringify(plainly)).not.toContain('"key":true');
  });

  it('is told how to answer, and takes only settings and rules that there are', () => {
    expect(kinds[kind].how).toMatch(/[.?]$/);
    for (const word of [...kinds[kind].settings, ...Object.keys(kinds[kind].defaults)]) expect(settings).toHaveProperty([word]);
    for (const rule of kinds[kind].rules) expect(settings.marking?.words).toContain(rule);
  });
});

describe('what is given', () => {
  it('to a part can be taken back, and nothing given is no response', () => {
    const given = withPart(withPart(null, 'pairs', 1, '2'), 'pairs', 2, '1');
    expect(mapIn(given, 'pairs')).toEqual({ 1: '2', 2: '1' });
    expect(mapIn(given, 'groups')).toEqual({});
    expect(withPart(withPart(given, 'pairs', 1, ''), 'pairs', 2, '')).toBeNull();
  });

  it.each<[string, Response, number, number | null, Response]>([
    ['a first choice', null, 2, null, { choose: [2] }],
    ['a second one, in order', { choose: [2] }, 1, null, { choose: [1, 2] }],
    ['one taken back', { choose: [1, 2] }, 1, null, { choose: [2] }],
    ['the last one taken back', { choose: [2] }, 2, null, null],
    ['one beyond the limit', { choose: [1, 2] }, 3, 2, { choose: [1, 2] }],
    ['one taken back at the limit', { choose: [1, 2] }, 2, 2, { choose: [1] }],
  ])('%s', (_, response, n, most, after) => {
    expect(toggled(response, n, most)).toEqual(after);
  });

  it.each([
    ['up to two', 'several', { choose: { least: 0, most: 2 } }, 'Choose up to 2.'],
    ['two', 'several', { choose: { least: 2, most: 2 } }, 'Choose 2.'],
    ['any number', 'several', { choose: { least: 0, most: null } }, null],
    ['three clicks', 'regions', { answers: { clicks: 3 } }, 'Click up to 3 places in the picture.'],
    ['any click', 'regions', { answers: { clicks: null } }, 'Click every place in the picture.'],
    ['one click', 'regions', { answers: { clicks: 1 } }, null],
  ])('%s is asked for in words', (_, kind, question, how) => {
    expect(kindUi({ kind: kind as Kind }).howTo?.(question as never)).toBe(how);
  });
});

describe('a gap', () => {
  const stem = 'The queen lays eggs.';
  const begin = { ...kinds.gaps.empty, stem };

  it('is made of marked words, and closed again with what belongs there', () => {
    const made = makeGap(begin, 4, 9);
    expect([made.stem, made.gaps[0]?.wordings?.[0]?.text]).toEqual(['The ___ lays eggs.', 'queen']);
    expect(closeGap(made, 0)).toEqual({ ...begin, gaps: [] });
  });

  it('stands where it was made; the others are numbered anew and known by what they were', () => {
    const made = makeGap(makeGap(begin, 15, 19), 4, 9);
    expect([made.stem, made.gaps.map(({ part, wordings }) => [part.id, part.text, wordings?.[0]?.text])]).toEqual([
      'The ___ lays ___.',
      [
        [2, 'gap 1', 'queen'],
        [1, 'gap 2', 'eggs'],
      ],
    ]);
  });

  it('earns a point of its own under weights', () => {
    expect(makeGap({ ...begin, settings: { marking: 'weighed' } }, 4, 9).gaps[0]?.part.earns).toBe('1');
  });
});

it('the ladder of review goes from nothing to everything', () => {
  expect([rungs[0], rungs.at(-1)]).toEqual(['nothing', 'marked paper with key and feedback']);
});
