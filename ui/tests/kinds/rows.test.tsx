import { cleanup, fireEvent, screen } from '@testing-library/react';
import { afterEach, describe, expect, it } from 'vitest';
import type { ContentOf, Kind } from '../../src/kinds/content';
import { kinds } from '../../src/kinds/facts.gen';
import { kindUi } from '../../src/kinds/registry';
import { edited, field, key, paste, pick, press, typeOver, write } from '../written';

/** The rows of a question of a kind, as they are written. */
function rows<K extends Kind>(kind: K, part: Partial<ContentOf<K>>) {
  const content = { ...kinds[kind].empty, stem: 'Which?', ...part } as ContentOf<Kind>;
  const { Rows } = kindUi(content);
  const opened = edited(content, ({ content: shown, edit }) => (
    <Rows content={shown} edit={edit} margin={null} readOnly={false} bank={1} />
  ));
  return { now: () => opened.now() as ContentOf<K> };
}

const choices = ['smoke', 'water', 'light'].map((text, i) => ({ id: i + 1, text, key: i === 0 }));
const texts = (list: { text: string }[]) => list.map(({ text }) => text);

afterEach(cleanup);

describe('answers to choose from', () => {
  it('are written one after the other with Enter, and an empty one is taken out with Backspace', () => {
    const { now } = rows('one', { choices });
    key('Answer 3', 'Enter');
    expect(document.activeElement).toBe(field('Answer 4'));
    write('Answer 4', 'noise');
    expect([texts(now().choices), now().choices[3]?.id]).toEqual([['smoke', 'water', 'light', 'noise'], 4]);
    key('Answer 4', 'Backspace');
    expect(now().choices).toHaveLength(4);
    write('Answer 4', '');
    key('Answer 4', 'Backspace');
    expect(texts(now().choices)).toEqual(['smoke', 'water', 'light']);
    expect(document.activeElement).toBe(field('Answer 3'));
  });

  it('go on into an empty one that is there, and not while a letter is composed', () => {
    const { now } = rows('one', { choices: [...choices, { id: 4, text: '', key: false }] });
    key('Answer 3', 'Enter');
    expect([now().choices.length, document.activeElement]).toEqual([4, field('Answer 4')]);
    key('Answer 1', 'Enter', { isComposing: true });
    key('Answer 1', 'Enter', { shiftKey: true });
    expect(now().choices).toHaveLength(4);
  });

  it('are moved with Alt and an arrow and copied with Ctrl D, and keep their ids', () => {
    const { now } = rows('one', { choices });
    key('Answer 1', 'ArrowDown', { altKey: true });
    expect(now().choices.map(({ id }) => id)).toEqual([2, 1, 3]);
    expect(document.activeElement).toBe(field('Answer 2'));
    key('Answer 2', 'ArrowUp', { altKey: true });
    key('Answer 1', 'ArrowUp', { altKey: true });
    expect(now().choices.map(({ id }) => id)).toEqual([1, 2, 3]);
    key('Answer 2', 'd', { ctrlKey: true });
    expect(now().choices.map(({ id, text, key: isKey }) => [id, text, isKey])).toEqual([
      [1, 'smoke', true],
      [2, 'water', false],
      [4, 'water', false],
      [3, 'light', false],
    ]);
  });

  it('have one key in a choice of one, and as many as wanted in several', () => {
    const one = rows('one', { choices });
    press('Answer 2 is distractor, change');
    expect(one.now().choices.map((c) => c.key)).toEqual([false, true, false]);
    cleanup();
    const several = rows('several', { choices });
    press('Answer 2 is distractor, change');
    expect(several.now().choices.map((c) => c.key)).toEqual([true, true, false]);
  });

  it('keep every key under weights, and new ones weigh nothing', () => {
    const { now } = rows('one', { settings: { marking: 'weighed' }, choices: choices.map((c, i) => ({ ...c, weight: String(2 - i) })) });
    press('Answer 2 is distractor, change');
    key('Answer 3', 'Enter');
    typeOver('Points of answer 3', '−1,5');
    expect(now().choices.map((c) => [c.key, c.weight])).toEqual([
      [true, '2'],
      [true, '1'],
      [false, '-1.5'],
      [false, '0'],
    ]);
  });

  it('are made of pasted lines when that is asked for', () => {
    const { now } = rows('one', { choices: [{ id: 1, text: '', key: true }] });
    paste('Answer 1', 'a) smoke\nb) water\nc) light');
    expect(screen.getByText(/3 lines were pasted/)).toBeTruthy();
    press('Make 3 answers of them');
    expect(now().choices.map((c) => [c.id, c.text, c.key])).toEqual([
      [1, 'smoke', true],
      [2, 'water', false],
      [3, 'light', false],
    ]);
  });

  it('stay together in one when that is wanted', () => {
    const { now } = rows('one', { choices });
    paste('Answer 3', 'one\ntwo');
    press('leave them together');
    expect([now().choices.length, screen.queryByText(/lines were pasted/)]).toEqual([3, null]);
  });

  it('are the two words of a claim, of which one is the key', () => {
    const { now } = rows('claim', {});
    press('“false” is distractor, change');
    typeOver('The affirmative word', 'holds');
    expect(now().choices.map((c) => [c.text, c.key])).toEqual([
      ['holds', false],
      ['false', true],
    ]);
  });
});

describe('what is accepted', () => {
  it('is a wording, whole or in part, or a pattern', () => {
    const { now } = rows('text', { wordings: [{ id: 1, text: 'varroa' }] });
    key('Accepted answer 1', 'Enter');
    write('Accepted answer 2', 'v*a');
    typeOver('Share of answer 2', '50 %');
    press(/^Answer 2 is word for word/);
    write('What is said to answer 2', 'Nearly.');
    expect(now().wordings).toEqual([
      { id: 1, text: 'varroa' },
      { id: 2, text: 'v*a', share: '50', pattern: true, says: 'Nearly.' },
    ]);
  });

  it('is a span of numbers, which has no patterns', () => {
    const { now } = rows('number', { spans: [{ id: 1, span: '14' }] });
    key('Accepted answer 1', 'Enter');
    write('Accepted answer 2', '12 to 13');
    expect(now().spans).toEqual([
      { id: 1, span: '14' },
      { id: 2, span: '12 to 13' },
    ]);
    expect(screen.queryByText('word for word')).toBeNull();
  });
});

describe('gaps', () => {
  const gap = (n: number, text: string) => ({ part: { id: n, text: `gap ${n}`, belongs: [String(n)] }, wordings: [{ text }] });

  it('are typed or picked from a list, and what was written stays', () => {
    const { now } = rows('gaps', { stem: 'A ___ lays.', gaps: [gap(1, 'queen')] });
    key('Gap 1, line 1', 'Enter');
    write('Gap 1, line 2', 'drone');
    press('Gap 1 is typed, change');
    expect(now().gaps[0]?.listed).toEqual([
      { text: 'queen', key: true },
      { text: 'drone', key: false },
    ]);
    press('Gap 1 is picked from a list, change');
    expect(now().gaps[0]).toEqual({ ...gap(1, 'queen') });
  });

  it('that the stem has more of are described when that is asked for', () => {
    const { now } = rows('gaps', { stem: 'A ___ lays ___ in ___.', gaps: [gap(1, 'queen')] });
    expect(screen.getByText(/The stem has 3 gaps/)).toBeTruthy();
    press('describe them all');
    expect(now().gaps.map(({ part }) => part.text)).toEqual(['gap 1', 'gap 2', 'gap 3']);
  });

  it('are closed with their word back in the stem', () => {
    const { now } = rows('gaps', { stem: 'A ___ lays ___.', gaps: [gap(1, 'queen'), gap(2, 'eggs')] });
    const [first] = screen.getAllByRole('button', { name: 'close the gap' });
    if (first) fireEvent.click(first);
    expect([now().stem, now().gaps.map(({ part, wordings }) => [part.id, wordings?.[0]?.text])]).toEqual([
      'A queen lays ___.',
      [[2, 'eggs']],
    ]);
  });
});

describe('pairs, groups, orders and labels', () => {
  it('lead from the left-hand side to the right, and to the next pair', () => {
    const { now } = rows('pairs', { pairs: [{ id: 1, text: 'queen', with: 'lays', belongs: ['1'] }] });
    key('Left-hand side 1', 'Enter');
    expect(document.activeElement).toBe(field('Right-hand side 1'));
    key('Right-hand side 1', 'Enter');
    write('Left-hand side 2', 'drone');
    write('Right-hand side 2', 'mates');
    press('a spare right-hand side');
    write('Spare right-hand side 1', 'stings');
    expect([now().pairs, now().spares]).toEqual([
      [
        { id: 1, text: 'queen', with: 'lays', belongs: ['1'] },
        { id: 2, text: 'drone', with: 'mates', belongs: ['2'] },
      ],
      ['stings'],
    ]);
  });

  it('keep what they are known by when pairs are moved or one goes', () => {
    const { now } = rows('pairs', {
      pairs: ['queen', 'drone', 'worker'].map((text, i) => ({ id: i + 1, text, with: text, belongs: [String(i + 1)] })),
    });
    key('Left-hand side 3', 'ArrowUp', { altKey: true });
    expect(now().pairs.map(({ id, text }) => [id, text])).toEqual([
      [1, 'queen'],
      [3, 'worker'],
      [2, 'drone'],
    ]);
    write('Left-hand side 1', '');
    write('Right-hand side 1', '');
    key('Left-hand side 1', 'Backspace');
    expect(now().pairs.map(({ id }) => id)).toEqual([3, 2]);
  });

  it('have names of groups that Enter goes on from: to the next, to one more, from an empty one to the items', () => {
    const { now } = rows('groups', { groups: ['bees', 'wasps'], items: [{ id: 1, text: 'Drone', belongs: ['1'] }] });
    press('one more group');
    expect(document.activeElement).toBe(field('Name of group 3'));
    key('Name of group 1', 'Enter');
    expect(document.activeElement).toBe(field('Name of group 2'));
    write('Name of group 3', 'flies');
    key('Name of group 3', 'Enter');
    expect([now().groups, document.activeElement]).toEqual([['bees', 'wasps', 'flies', ''], field('Name of group 4')]);
    key('Name of group 4', 'Enter');
    expect(document.activeElement).toBe(field('Item 1'));
  });

  it('keep items in their group when another group goes, and nowhere when it was theirs', () => {
    const items = ['1', '2', '3'].map((group, i) => ({ id: i + 1, text: `item ${i}`, belongs: [group] }));
    const { now } = rows('groups', { groups: ['bees', 'wasps', 'flies'], items });
    press('Take out group 2');
    expect([now().groups, now().items.map(({ belongs }) => belongs)]).toEqual([
      ['bees', 'flies'],
      [['1'], [], ['2']],
    ]);
    write('Name of group 2', 'beetles');
    pick('Group of item 2', 'beetles');
    key('Item 3', 'Enter');
    expect([now().groups[1], now().items[1]?.belongs, now().items[3]?.belongs]).toEqual(['beetles', ['2'], ['2']]);
  });

  it('put the items of an order one after the other', () => {
    const { now } = rows('order', { items: ['egg', 'larva', 'pupa'].map((text, i) => ({ id: i + 1, text })) });
    key('Item 3', 'ArrowUp', { altKey: true });
    expect(texts(now().items)).toEqual(['egg', 'pupa', 'larva']);
    expect(screen.getByText(/never solved/)).toBeTruthy();
  });

  it('say at which spot a label belongs, at several, or nowhere', () => {
    const spots = [10, 50].map((x) => ({ x, y: 10, radius: 9, name: null }));
    const { now } = rows('place', { spots, labels: [{ id: 1, text: 'queen', belongs: ['1'] }] });
    typeOver('Spots of label 1, parted by commas; 0 for a spare', '2, 1');
    write('Name of spot 2', 'the entrance');
    typeOver('Numbers of spot 1: x, y, radius', '12 14 0');
    expect([now().labels[0]?.belongs, now().spots]).toEqual([
      ['2', '1'],
      [
        { x: 12, y: 14, radius: 1, name: null },
        { x: 50, y: 10, radius: 9, name: 'the entrance' },
      ],
    ]);
    typeOver('Spots of label 1, parted by commas; 0 for a spare', '0');
    expect(now().labels[0]?.belongs).toEqual([]);
  });

  it('give the words and ends of a scale', () => {
    const { now } = rows('rating', {});
    typeOver('Highest value', '7');
    typeOver('Lowest value', 'none');
    write('Word at the high end', 'always');
    expect(now()).toMatchObject({ from: 0, to: 7, ends: ['', 'always'] });
  });

  it('name areas, turn them right or wrong, and take their numbers as typed', () => {
    const { now } = rows('regions', { regions: [{ id: 1, area: 'ellipse 9 9 4 4', key: true }] });
    write('Name of area 1', 'the queen');
    press('Area 1 is key, change');
    typeOver('Shape and numbers of area 1', 'rectangle 1 2 3 4');
    expect(now().regions).toEqual([{ id: 1, area: 'rectangle 1 2 3 4', key: false, name: 'the queen' }]);
  });
});
