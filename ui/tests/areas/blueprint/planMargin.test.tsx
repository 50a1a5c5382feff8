import { cleanup, screen } from '@testing-library/react';
import { afterEach, describe, expect, it, vi } from 'vitest';
import type { Document } from '../../../src/areas/blueprint/document';
import { PassMark } from '../../../src/areas/blueprint/margin/PassMark';
import { Proved } from '../../../src/areas/blueprint/margin/Proved';
import { ReviewSentences } from '../../../src/areas/blueprint/margin/ReviewSentences';
import { RulesSentences } from '../../../src/areas/blueprint/margin/RulesSentences';
import { asked, blueprintOf, documentOf, planning } from '../../planned';
import { settled } from '../../served';
import { pick, press, typeOver } from '../../written';

afterEach(cleanup);

const text = () => document.body.textContent;
const draw = (id: string) => ({ id, draw: { take: 2, pool: { objective: 'Lamps', kinds: ['one'] } } });

describe('what is proved', () => {
  const proved = async (
    proof: object,
    more: object = {},
    first = documentOf([draw('d1'), draw('d2')], [{ id: 'q1', question: 'trim' }]),
  ) => {
    const onShow = vi.fn();
    await planning(first, (now) => <Proved blueprint={blueprintOf(more, proof)} document={now} onShow={onShow} />);
    return onShow;
  };
  const span = (fewest: number, many: number, least: string, most: string) => ({ fewest, many, least, most });

  it('is one number where all forms are the same, and a time', async () => {
    await proved({ paths: { count: 1, all: span(5, 5, '10', '10'), each: [] }, seconds: 1500 });
    expect(text()).toContain('5 questions, 10 points, 25 min in every form');
  });

  it('is from and to where forms differ, and by path where the way divides', async () => {
    await proved({ paths: { count: 1, all: span(5, 5, '8', '10'), each: [] } });
    expect(text()).toContain('5 questions, 8 to 10 points, by what is drawn');
    cleanup();
    const each = [
      { ways: [{ step: 'd2', to: 4 }], asks: span(4, 4, '8', '8'), seconds: 90 },
      { ways: [{ step: 'd2', to: 3 }], asks: span(5, 5, '10', '10'), seconds: 120 },
    ];
    await proved({ paths: { count: 2, all: span(4, 5, '8', '10'), each }, seconds: 150 });
    expect(text()).toContain('4 to 5 questions, 8 to 10 points, 1.5 to 2 min by path and form');
    expect(screen.getAllByRole('listitem').map((li) => li.textContent)).toEqual([
      'step 2 → the end: 4 questions, 8 points, 1.5 min',
      'step 2 → 3: 5 questions, 10 points, 2 min',
    ]);
    cleanup();
    await proved({ paths: { count: 300, all: span(4, 5, '8', '10'), each: [] } });
    expect(text()).toContain('300 paths lead through it.');
  });

  it('names the steps that ask for too much, and the way to what there is', async () => {
    await proved({ shortage: { draws: [2], ask: 4, fit: 1, words: '' } });
    expect(screen.getByRole('alert').textContent).toContain('Step 2 asks for 4 questions; only 1 fits. 3 questions are missing');
    expect(screen.getByRole('link', { name: 'See what there is' }).getAttribute('href')).toBe('/banks/1/questions?objective=1&kind=one');
    cleanup();
    await proved({ shortage: { draws: [1, 2], ask: 8, fit: 6, words: '' } });
    expect(screen.getByRole('alert').textContent).toContain('Steps 1 and 2 together ask for 8 questions; only 6 fit.');
  });

  it('leads to the steps that cannot be sat', async () => {
    const shown = await proved(
      {},
      {
        findings: [
          { where: 'q1', subject: 'reach', message: 'no way comes to this step' },
          { where: 'blueprint', subject: 'pass', message: 'too much' },
          { where: 's2', subject: 'order', message: 'mixed' },
        ],
      },
    );
    expect(screen.getByRole('alert').textContent).toBe('step 3 no way comes to this stepthe whole too muchPart 2 mixed');
    press('step 3');
    expect(shown).toHaveBeenCalledWith('q1');
  });

  it('advises where something can be sat and is hardly meant so, with the remedy to press', async () => {
    const onSay = vi.fn();
    const advice = [
      { where: 'q1', subject: 'loses', message: 'a further attempt loses' },
      { where: 'blueprint', subject: 'minimum Lamps > Wicks', message: 'a form may ask nothing of Lamps' },
      { where: 'q1', subject: 'attempts 3', message: 'hint 1 never opens' },
    ];
    const onDraw = vi.fn();
    await planning(documentOf([{ id: 'q1', question: 'trim' }]), (now) => (
      <Proved blueprint={blueprintOf({}, { advice })} document={now} onShow={vi.fn()} onSay={onSay} onDraw={onDraw} />
    ));
    press('draw one of it');
    expect(onDraw).toHaveBeenCalledWith('Lamps > Wicks');
    expect(text()).toContain('step 1 a further attempt loses let the best stand');
    expect(text()).toContain('a form may ask nothing of Lamps');
    press('let the best stand');
    expect(onSay).toHaveBeenLastCalledWith('q1', { stands: 'best' });
    press('give it 3 attempts');
    expect(onSay).toHaveBeenLastCalledWith('q1', { attempts: '3' });
  });

  it('offers one worth for a draw from questions of differing worth', async () => {
    const onSay = vi.fn();
    const steps = { d1: asked(2, '18', { most: '20', fit: 5 }), d2: asked(2, '20', { fit: 5 }) };
    const draw = (id: string) => ({ id, draw: { take: 2, pool: {} } });
    await planning(documentOf([draw('d1'), draw('d2')]), (now) => (
      <Proved blueprint={blueprintOf({}, { steps })} document={now} onShow={vi.fn()} onSay={onSay} />
    ));
    expect(text()).toContain('step 1 takes questions of differing worth: 18 to 20 points by what is drawn.');
    expect(text()).not.toContain('step 2 takes');
    press('let each count 10');
    expect(onSay).toHaveBeenCalledWith('d1', { points: '10' });
  });

  it('says how much two forms share, and which questions many see', async () => {
    await proved({ questions: 5, steps: { d1: asked(2, '4', { fit: 8 }), d2: asked(2, '4', { fit: 2 }), q1: asked(1, '2') } });
    expect(text()).toContain('Two forms share 3.5 of their 5 questions on average.');
    expect(text()).toContain('step 2 every candidate sees the same');
    expect(text()).not.toContain('step 1');
    cleanup();
    await proved({ questions: 5, steps: { d1: asked(2, '4', { fit: 3, overlaps: true }), d2: asked(2, '4', { fit: 8, overlaps: true }) } });
    expect(text(), 'where pools overlap it could not be told rightly').not.toContain('Two forms share');
    expect(text()).toContain('step 1 each of 3 is seen by about 67 % of candidates');
  });
});

describe('the pass mark', () => {
  const shown = (pass: Document['pass'], proof: object = {}) =>
    planning({ ...documentOf([]), ...(pass && { pass }) }, (now, onChange) => (
      <PassMark blueprint={blueprintOf({}, proof)} document={now} readOnly={false} onChange={onChange} />
    ));

  it('is typed in percent or points, and none', async () => {
    const { now } = await shown(
      { percent: '60' },
      { questions: 5, pass: { points: '6', pointsMost: '6', reachable: true, percent: '60' } },
    );
    expect(text()).toContain('60 %, 6 points. It can be reached.');
    typeOver('Pass mark, in percent or points', '7 points');
    expect(now().pass).toEqual({ points: '7' });
    typeOver('Pass mark, in percent or points', 'none');
    expect(now()).not.toHaveProperty('pass');
  });

  it('is told for the poorest and the richest path', async () => {
    await shown({ percent: '70' }, { questions: 5, pass: { points: '21', pointsMost: '23.8', reachable: true, percent: '70' } });
    expect(text()).toContain('70 %, 21 to 23.8 points, by what a candidate is asked.');
  });

  it('has minimums in objectives, which stay when the mark changes', async () => {
    const { now } = await shown({ percent: '60' });
    pick('A minimum in an objective', 'Lamps › Wicks');
    typeOver('Minimum in Lamps > Wicks', '2 points');
    typeOver('Pass mark, in percent or points', '70 %');
    expect(now().pass).toEqual({ percent: '70', objectives: [{ objective: 'Lamps > Wicks', points: '2' }] });
    typeOver('Minimum in Lamps > Wicks', 'none');
    expect(now().pass).toEqual({ percent: '70' });
  });

  it('says that it cannot be reached, but not of nothing', async () => {
    await shown({ points: '9' }, { questions: 2, pass: { points: '9', pointsMost: '9', reachable: false, percent: '225' } });
    expect(text()).toContain('It cannot be reached with these questions');
    cleanup();
    await shown({ percent: '60' }, { questions: 0, pass: { points: '0', pointsMost: '0', reachable: false, percent: null } });
    expect(text()).not.toContain('cannot be reached');
  });
});

describe('rules as sentences', () => {
  const shown = (rules: Document['rules'] = {}) =>
    planning({ ...documentOf([]), rules }, (now, onChange) => <RulesSentences document={now} readOnly={false} onChange={onChange} />);

  it.each<[string, () => void, object]>([
    ['a time', () => typeOver('Minutes for the whole, or no', '1.5'), { time: '90 s' }],
    ['sittings', () => typeOver('Sittings for each candidate', 'any number of'), { sittings: 'unlimited' }],
    ['feedback', () => pick('When feedback is given', 'after the last attempt'), { feedback: 'after the last attempt' }],
    ['the right answer', () => pick('Whether the right answer is shown', 'is shown after the last'), { key: true }],
    [
      'on request',
      () => {
        pick('Whether the right answer is shown', 'is shown after the last');
        pick('When the right answer is shown', 'once it is asked for');
      },
      { key: true, keyOnRequest: true },
    ],
    ['hiding', () => pick('Whether the question is hidden during feedback', 'is hidden'), { hide: true }],
    ['points so far', () => pick('Whether points so far are shown', 'are shown'), { score: true }],
    ['moving', () => pick('How candidates move', 'in any order'), { moving: 'any order' }],
    ['pages', () => pick('What is on a page', 'a section a page'), { screen: 'section' }],
    ['blanks', () => pick('Whether a question may be left blank', 'must be answered'), { mustAnswer: true }],
    ['the worth', () => pick('Whether the worth is shown', 'is shown'), { worth: true }],
    ['checking', () => pick('How a response is checked', 'by choosing'), { checkOnChoosing: true }],
    ['parts', () => pick('From how many parts on', 'once all parts are given'), { allParts: true }],
    ['mixing anew', () => pick('Whether answers are mixed anew', 'are mixed anew'), { reshuffle: true }],
    ['going on by itself', () => pick('What follows a right answer', 'it goes on by itself'), { goesOnByItself: true }],
    ['running out', () => pick('What counts when time runs out', 'as unanswered'), { runningOut: 'unanswered' }],
    ['closing time', () => pick('Whether closing time ends sittings', 'lets sittings go on'), { untilEnds: false }],
    ['the least of the total', () => pick('The least of the total', 'may be below 0'), { floor: 'none' }],
  ])('%s', async (_, choose, expected) => {
    const { now } = await shown();
    choose();
    expect(now().rules).toEqual(expected);
  });

  it('lose a time and a pause again, and ask only what has a meaning', async () => {
    const { now } = await shown({ time: '30 min', sittings: 2, pause: '60 min', feedback: 'at the end' });
    expect(text()).not.toContain('the right answer');
    typeOver('Minutes for the whole, or no', 'no');
    typeOver('The pause between two sittings', 'no');
    expect(now().rules).toEqual({ sittings: 2, feedback: 'at the end' });
    typeOver('Sittings for each candidate', '1');
    expect(text()).not.toContain('between them');
  });

  it('become those of another sort at once', async () => {
    const { now } = await shown({ time: '30 min', floor: 'none' });
    pick('Sort of assessment', 'survey: nothing is told, nobody passes, no time limit, every question must be answered');
    expect(now()).toMatchObject({
      rules: { feedback: 'never', mustAnswer: true },
      review: { passed: [{ rung: 'nothing' }] },
    });
    expect(now().rules).not.toHaveProperty('floor');
  });
});

describe('afterwards', () => {
  const shown = (more: Partial<Document> = {}) =>
    planning({ ...documentOf([]), ...more }, (now, onChange) => (
      <ReviewSentences bank={1} document={now} readOnly={false} onChange={onChange} />
    ));

  it('candidates see more at once, and more again when it has closed', async () => {
    const { now } = await shown({ pass: { percent: '60' } });
    pick('Who passes sees', 'total');
    pick('Who passes sees when it has closed', 'marked paper');
    pick('Who does not sees', 'objectives');
    expect(now().review).toEqual({
      passed: [{ rung: 'total' }, { rung: 'marked paper', when: 'closed' }],
      notPassed: [{ rung: 'objectives' }],
    });
    pick('Who passes sees when it has closed', 'no more');
    expect(now().review?.passed).toEqual([{ rung: 'total' }]);
    expect(text()).toContain('“87 of 125 points, 69.6 %. Passed.”');
  });

  it('it closes with a page, by passing or without a pass mark', async () => {
    const { now } = await shown({ pass: { percent: '60' } });
    await settled();
    pick('Closing page for who passes', 'care');
    pick('Closing page for who does not', 'smoke');
    expect(now().closing).toEqual({ passed: 'care', notPassed: 'smoke' });
    pick('Closing page for who passes', 'no page');
    pick('Closing page for who does not', 'no page');
    expect(now()).not.toHaveProperty('closing');
    cleanup();
    const without = await shown();
    await settled();
    pick('Closing page', 'care');
    expect(without.now().closing).toEqual({ noPassMark: 'care' });
  });
});

describe('what is said of each question', () => {
  it('of the whole is said where it differs, and taken back', async () => {
    const { now } = await planning(documentOf([]), (document, onChange) => (
      <RulesSentences document={document} readOnly={false} onChange={onChange} />
    ));
    pick('In the whole, Say more here', 'attempts');
    typeOver('In the whole, attempts', '3');
    pick('In the whole, Say more here', 'the attempt that stands is the');
    pick('In the whole, the attempt that stands is the', 'best');
    expect(now().settings).toEqual({ attempts: '3', stands: 'best' });
    press('In the whole, attempts: nothing here');
    expect(now().settings).toEqual({ stands: 'best' });
    pick('In the whole, the attempt that stands is the', 'nothing here');
    expect(now().settings).toBeUndefined();
  });
});
