import { act, cleanup, fireEvent, render, screen } from '@testing-library/react';
import { useState } from 'react';
import { afterEach, describe, expect, it } from 'vitest';
import { AnswerBox } from '../../src/kinds/AnswerBox';
import type { AnswersOf, Kind, Response, SittingQuestion } from '../../src/kinds/content';
import { MediaContext } from '../../src/parts/text/media';
import { settled } from '../served';
import { field, press, write } from '../written';

/** A question as a candidate answers it, with what was given so far. */
function answering<K extends Kind>(kind: K, answers: AnswersOf<K>, more: Partial<SittingQuestion> = {}, given: Response = null) {
  let now: Response = given;
  const question = {
    n: 1,
    kind,
    stem: 'Which is it?',
    how: null,
    choose: null,
    closed: false,
    atAnswers: [],
    ...more,
    answers,
  } as SittingQuestion;
  function Page() {
    const [response, setResponse] = useState(given);
    const respond = (next: Response) => {
      now = next;
      setResponse(next);
    };
    return (
      <MediaContext
        value={{
          'hive.svg': { name: 'hive.svg', url: '/x', type: 'image/svg+xml', bytes: 1, width: 100, height: 80 },
          'piping.mp3': { name: 'piping.mp3', url: '/y', type: 'audio/mpeg', bytes: 1, width: null, height: null },
        }}
      >
        <AnswerBox question={question} response={response} onRespond={respond} />
      </MediaContext>
    );
  }
  render(<Page />);
  return { now: () => now };
}
const choose = (label: string, value: string) => fireEvent.change(field(label), { target: { value } });
const key = (element: Element | null, pressed: string, more: object = {}) =>
  element && fireEvent.keyDown(element, { key: pressed, ...more });
const picture = { file: 'hive.svg', shows: 'a hive', width: 100, height: 80 };

afterEach(cleanup);

describe('a candidate', () => {
  it('chooses one, and another instead', () => {
    const { now } = answering('one', { choices: ['smoke', '**water**'], layout: 'column' });
    fireEvent.click(screen.getByRole('radio', { name: 'smoke' }));
    fireEvent.click(screen.getByRole('radio', { name: 'water' }));
    expect([now(), screen.getByRole('radio', { name: 'water' }).getAttribute('aria-checked')]).toEqual([{ choose: [2] }, 'true']);
    expect(screen.getByText('Choose one.')).toBeTruthy();
  });

  it('sees at single answers what they came to, once that is told', () => {
    const at: SittingQuestion['atAnswers'] = [
      { n: 2, outcome: 'wrong' },
      { n: 1, outcome: 'right' },
    ];
    answering('one', { choices: ['smoke', 'water'], layout: 'column' }, { closed: true, atAnswers: at }, { choose: [2] });
    expect(screen.getAllByRole('radio').map((tile) => tile.textContent)).toEqual(['smokeright', 'waterwrong']);
    cleanup();
    answering('several', { choices: ['smoke', 'water'], layout: 'column' }, { closed: true, atAnswers: at.slice(0, 1) }, { choose: [2] });
    expect(screen.getAllByRole('checkbox').map((tile) => tile.textContent)).toEqual(['smoke', 'waterwrong']);
    cleanup();
    answering('one', { choices: ['smoke', 'water'], layout: 'list' }, { closed: true, atAnswers: at }, { choose: [2] });
    expect(document.body.textContent).toContain('water wrong');
    expect(document.body.textContent).toContain('smoke right');
  });

  it('sees at each part what was given to it came to', () => {
    const closed: Partial<SittingQuestion> = {
      closed: true,
      atAnswers: [
        { n: 2, outcome: 'right' },
        { n: 1, outcome: 'partly right' },
      ],
    };
    answering('pairs', { lefts: ['skep', 'frame'], rights: ['straw', 'wood'] }, closed, { pairs: { 1: '2', 2: '1' } });
    expect(screen.getAllByRole('listitem').map((row) => row.textContent.slice(-12))).toEqual(['partly right', 'strawwoodright'.slice(-12)]);
    cleanup();
    answering('gaps', { gaps: [null, ['bees', 'wasps']] }, { ...closed, stem: 'Call ___ for ___.' }, { gaps: { 1: 'me', 2: '1' } });
    expect(document.querySelector('.stem')?.textContent).toMatch(/^Call partly right for .*right\.$/);
    cleanup();
    const spots = [
      { x: 20, y: 20, radius: 8 },
      { x: 60, y: 40, radius: 8 },
    ];
    answering('place', { picture, spots, labels: ['lid', 'floor'] }, closed, { place: { 1: '2', 2: '1' } });
    expect([...document.querySelectorAll('.labels .at-answer')].map((at) => at.textContent)).toEqual(['partly right', 'right']);
  });

  it('finds formulas and pictures in a list, which the browser’s own cannot show', () => {
    answering('pairs', { lefts: ['Area'], rights: ['$r^2$', 'a line'] });
    expect(screen.getByRole('combobox', { name: 'For “Area”' }).tagName).toBe('BUTTON');
    cleanup();
    answering('pairs', { lefts: ['Area'], rights: ['*r*', 'a line'] });
    expect(screen.getByRole('combobox', { name: 'For “Area”' }).tagName).toBe('SELECT');
  });

  it('hears a sound beside the answer that it belongs to, not within it', () => {
    answering('one', { choices: ['![a queen piping](piping.mp3)', 'silence'], layout: 'column' });
    expect(screen.getByRole('radio', { name: 'a queen piping' }).querySelector('audio')).toBeNull();
    expect(document.querySelectorAll('[role=radiogroup] audio')).toHaveLength(1);
    cleanup();
    answering('several', { choices: ['![a queen piping](piping.mp3)', 'silence'], layout: 'column' });
    expect(screen.getByRole('checkbox', { name: 'a queen piping' }).querySelector('audio')).toBeNull();
    expect(document.querySelectorAll('[role=group] audio')).toHaveLength(1);
    cleanup();
    answering('groups', { items: ['A call'], groups: ['![a queen piping](piping.mp3)', 'none'] });
    expect(screen.getByRole('combobox').tagName).toBe('BUTTON');
    expect(document.querySelectorAll('audio')).toHaveLength(1);
  });

  it('makes the picture larger and as it was', () => {
    answering('regions', { picture, clicks: 1, areas: [] });
    press('larger picture');
    expect(document.querySelector('.large-board .board')).not.toBeNull();
    press('smaller picture');
    expect(document.querySelector('.large-board')).toBeNull();
  });

  it('chooses one from a list, and takes it back', () => {
    const { now } = answering('one', { choices: ['smoke', '**water**'], layout: 'list' });
    expect(screen.getByRole('option', { name: 'water' })).toBeTruthy();
    choose('Answers to: Which is it?', '2');
    expect(now()).toEqual({ choose: [2] });
    choose('Answers to: Which is it?', '');
    expect(now()).toBeNull();
  });

  it('chooses several, as many as may be, and is told how many', () => {
    const { now } = answering('several', { choices: ['a', 'b', 'c'], layout: 'row' }, { choose: { least: 0, most: 2 } });
    for (const name of ['c', 'a', 'b']) fireEvent.click(screen.getByRole('checkbox', { name }));
    expect(now()).toEqual({ choose: [1, 3] });
    expect(screen.getByRole('status').textContent).toBe('No more than 2 can be chosen: press one of those chosen to let it go first.');
    fireEvent.click(screen.getByRole('checkbox', { name: 'a' }));
    expect(screen.getByRole('status').textContent).toBe('');
    expect([now(), screen.getByText('Choose up to 2.')]).toBeTruthy();
    expect(now()).toEqual({ choose: [3] });
  });

  it('says whether a claim holds, in the words of the question', () => {
    const { now } = answering('claim', { choices: ['holds', 'does not hold'], layout: null }, { how: 'Think first.' });
    fireEvent.click(screen.getByRole('radio', { name: 'does not hold' }));
    expect([now(), screen.queryByText('Does this hold?'), screen.getByText('Think first.').tagName]).toEqual([{ choose: [2] }, null, 'P']);
  });

  it('chooses a value of a scale', () => {
    const { now } = answering('rating', { from: 0, to: 3, ends: ['never', 'always'] });
    expect(screen.getAllByRole('radio').map((radio) => radio.textContent)).toEqual(['0', '1', '2', '3']);
    fireEvent.click(screen.getByRole('radio', { name: '0' }));
    expect(now()).toEqual({ choose: [0] });
  });

  it.each([
    ['text', {}, 'varroa', 'text'],
    ['number', { units: ['kg'] }, '1,5', 'decimal'],
  ] as const)('types a %s, and nothing but blanks is no response', (kind, answers, typed, mode) => {
    const { now } = answering(kind, answers as AnswersOf<typeof kind>);
    write('Your answer', typed);
    expect([now(), field('Your answer').inputMode]).toEqual([{ text: typed }, mode]);
    write('Your answer', '  ');
    expect(now()).toBeNull();
    expect(screen.queryByText('kg') !== null).toBe(kind === 'number');
  });

  it('fills gaps within the stem, typed or from a list', () => {
    const { now } = answering('gaps', { gaps: [null, ['eggs', 'honey']] }, { stem: 'A ___ lays ___.' });
    write('Gap 1', 'queen');
    choose('Gap 2', '1');
    expect(now()).toEqual({ gaps: { 1: 'queen', 2: '1' } });
    write('Gap 1', '');
    expect(now()).toEqual({ gaps: { 2: '1' } });
    choose('Gap 2', '');
    expect(now()).toBeNull();
  });

  it('gives each left-hand side one, and a right-hand side only once', () => {
    const { now } = answering('pairs', { lefts: ['queen', 'drone'], rights: ['lays', 'mates', 'stings'] });
    choose('For “queen”', '2');
    choose('For “drone”', '2');
    expect(now()).toEqual({ pairs: { 2: '2' } });
    choose('For “queen”', '1');
    expect(now()).toEqual({ pairs: { 1: '1', 2: '2' } });
  });

  it('sorts items into groups, several into one', () => {
    const { now } = answering('groups', { groups: ['bees', 'pests'], items: ['drone', 'worker', 'mite'] });
    for (const [item, group] of [
      ['drone', '1'],
      ['worker', '1'],
      ['mite', '2'],
    ] as const)
      choose(`For “${item}”`, group);
    expect(now()).toEqual({ groups: { 1: '1', 2: '1', 3: '2' } });
  });

  it('puts items in order with the buttons and their arrow keys; until one is moved nothing is given', () => {
    const { now } = answering('order', { items: ['egg', 'pupa', 'larva'] });
    expect(now()).toBeNull();
    press('Move “larva” up');
    expect(now()).toEqual({ order: [1, 3, 2] });
    key(screen.getByRole('button', { name: 'Move “egg” down' }), 'ArrowDown');
    expect(now()).toEqual({ order: [3, 1, 2] });
    expect(screen.getByText('egg is now number 2')).toBeTruthy();
    expect(screen.getByRole<HTMLButtonElement>('button', { name: 'Move “larva” up' }).disabled).toBe(true);
  });

  it('takes an item up with a finger at its number at once, and elsewhere lets the page scroll', async () => {
    answering('order', { items: ['egg', 'pupa', 'larva'] });
    const drag = async (at: Element) => {
      const touch = (y: number) => ({ touches: [{ clientX: 5, clientY: y, target: at }], changedTouches: [], targetTouches: [] });
      fireEvent.touchStart(at, touch(5));
      fireEvent.touchMove(at, touch(40));
      await settled();
      const isTaken = document.body.textContent.includes('is taken up');
      fireEvent.touchEnd(at);
      // The press that ends a drag is let pass for a moment.
      await settled(60);
      return isTaken;
    };
    expect(await drag(screen.getByText('pupa'))).toBe(false);
    expect(await drag(screen.getByText('2'))).toBe(true);
  });

  it('can say that the order is right as it stands', () => {
    const { now } = answering('order', { items: ['egg', 'larva'] });
    press('It is right as it stands');
    expect([now(), screen.queryByText('It is right as it stands')]).toEqual([{ order: [1, 2] }, null]);
  });

  it('clicks into a picture with the arrow keys, and takes clicks back', () => {
    const { now } = answering('regions', { picture, clicks: 2, areas: ['ellipse 5 5 4 4'] });
    const board = screen.getByRole('application');
    key(board, 'ArrowRight');
    key(board, 'ArrowDown', { shiftKey: true });
    key(board, 'Enter');
    expect(now()).toEqual({ points: [[60, 41]] });
    key(board, 'ArrowLeft');
    key(board, ' ');
    key(board, 'Enter');
    key(board, 'ArrowUp');
    key(board, 'Enter');
    expect(now(), 'the last click counts, whatever the limit').toEqual({ points: [[60, 41], [50, 31]] }); // prettier-ignore
    expect(screen.getByRole('status').textContent).toContain('2 clicks of 2: no more than 2, so the last one was moved');
    press('take the last click back');
    key(board, 'Backspace');
    expect(now()).toBeNull();
  });

  it('gives one click where one is allowed, the last one', () => {
    const { now } = answering('regions', { picture, clicks: 1, areas: [] });
    const board = screen.getByRole('application');
    for (const way of ['ArrowUp', 'ArrowUp']) {
      key(board, way);
      key(board, 'Enter');
    }
    expect(now()).toEqual({ points: [[50, 20]] });
  });

  it('puts labels onto spots by pressing a label and then its spot, or from a list; a spot takes one', () => {
    const spots = [10, 60].map((x) => ({ x, y: 10, radius: 9 }));
    const { now } = answering('place', { picture, spots, labels: ['queen', 'drone'] });
    press('queen');
    key(screen.getByRole('button', { name: 'Spot 2, empty' }), 'Enter');
    expect(now()).toEqual({ place: { 1: '2' } });
    choose('Spot for “drone”', '2');
    expect(now()).toEqual({ place: { 2: '2' } });
    choose('Spot for “drone”', '');
    expect(now()).toBeNull();
  });

  it('is told when a picture is missing', () => {
    answering('place', { picture: { ...picture, file: 'gone.svg' }, spots: [], labels: [] });
    expect(screen.getByText('The picture of this question is missing.')).toBeTruthy();
  });

  it.each<[Kind, object, Response]>([
    ['one', { choices: ['a', 'b'], layout: 'column' }, { choose: [1] }],
    ['several', { choices: ['a', 'b'], layout: 'column' }, { choose: [1] }],
    ['text', {}, { text: 'x' }],
    ['gaps', { gaps: [null] }, { gaps: { 1: 'x' } }],
    ['pairs', { lefts: ['a'], rights: ['b'] }, null],
    ['order', { items: ['a', 'b'] }, { order: [2, 1] }],
    ['rating', { from: 1, to: 2, ends: [] }, null],
  ])('changes nothing of a question of kind %s that is closed', (kind, answers, given) => {
    const { now } = answering(kind, answers as never, { closed: true, stem: 'A ___.' }, given);
    for (const element of document.querySelectorAll<HTMLElement>('button, input, select')) {
      expect(element.matches(':disabled')).toBe(true);
      act(() => element.click());
    }
    expect(now()).toEqual(given);
  });
});
