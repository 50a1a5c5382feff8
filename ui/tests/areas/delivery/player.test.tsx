import { cleanup, fireEvent, screen, within } from '@testing-library/react';
import { afterEach, describe, expect, it, vi } from 'vitest';
import type { Schema } from '../../../src/api/client';
import SittingPage from '../../../src/areas/delivery/SittingPage';
import { whyNotYet } from '../../../src/kinds/whyNotYet';
import type { Response, SittingQuestion } from '../../../src/kinds/content';
import { at, Served, settled } from '../../served';
import { press } from '../../written';
import { question, sitting, steps } from './played';

const candidate = { id: 4, login: 'carrow', name: 'J. Carrow', role: 'candidate' } as Schema['Account'];
const text = () => document.body.textContent;
const wrong = { attempt: 1, outcome: 'wrong', earned: '0', max: '2', response: { choose: [2] }, facts: 'Wrong.', said: ['Look again.'] };

// Nothing can be scrolled here.
Element.prototype.scrollIntoView = () => undefined;

afterEach(() => {
  cleanup();
  vi.restoreAllMocks();
  localStorage.clear();
});

async function open(first: object, next: object = first) {
  const served = new Served({ 'GET /sittings/{id}': first, 'POST /sittings/{id}/events': next });
  await at('/sittings/7', '/sittings/:id', <SittingPage account={candidate} />);
  await settled();
  return () =>
    served.asked('POST', '/sittings/{id}/events').map(({ body }) => {
      const { type, sheet, response } = body as { type: string; sheet?: number; response?: Response };
      return [type, sheet, response].filter((part) => part !== undefined);
    });
}

describe('what is typed', () => {
  const typed = question(2, { kind: 'text', answers: {}, choose: null });

  it('is in the browser from the first letter on, says that it is being saved, and is sent after a reload', async () => {
    const sent = await open(sitting({ checks: false, questions: [typed] }));
    expect(text(), 'nothing is there to be saved').not.toContain('saved');
    // The page is closed before the pause after typing is over.
    const later = window.setTimeout.bind(window);
    vi.spyOn(window, 'setTimeout').mockImplementation(((then: () => void, ms: number) => (ms < 500 ? later(then, ms) : 0)) as never);
    fireEvent.change(screen.getByRole('textbox'), { target: { value: 'prop' } });
    expect(text()).toContain('saving …');
    expect(localStorage.getItem('zetema:sitting:7')).toContain('prop');
    expect(sent(), 'not before the typing pauses').toEqual([]);
    cleanup();
    const again = await open(sitting({ checks: false, questions: [typed] }));
    await settled();
    expect(again()).toEqual([['saved', 2, { text: 'prop' }]]);
  });

  it('goes before whatever is done next, and a check takes its place', async () => {
    const sent = await open(sitting({ questions: [typed] }));
    fireEvent.change(screen.getByRole('textbox'), { target: { value: 'propolis' } });
    press('Check');
    await settled();
    expect(sent()).toEqual([['checked', 2, { text: 'propolis' }]]);
  });
});

describe('a clock that ran out', () => {
  it('is told where it stood, with what became of the answer', async () => {
    const lapsed = (more: object) => [{ of: 'question', n: 1, entered: true, counts: true, ...more }];
    await open(sitting({ lapsed: lapsed({}), questions: [question(1, { closed: true })] }));
    expect(text()).toContain('Time ran out for this question; what you had entered counts.');
    cleanup();
    await open(sitting({ lapsed: lapsed({ counts: false }), questions: [question(1, { closed: true })] }));
    expect(text()).toContain('what you had entered does not count.');
    cleanup();
    await open(sitting({ lapsed: [{ of: 'section', n: null, entered: false, counts: false }] }));
    expect(text()).toContain('its other questions are left behind.');
  });
});

describe('what the rules of an assessment show', () => {
  it('the right answer stands under what was said, unless it was given', async () => {
    const rightAnswer = [{ before: null, text: 'Left', typed: false }];
    await open(sitting({ questions: [question(1, { closed: true, told: [wrong], rightAnswer })] }));
    expect(text()).toContain('right: Left');
    cleanup();
    await open(sitting({ questions: [question(1, { closed: true, told: [{ ...wrong, outcome: 'right' }], rightAnswer })] }));
    expect(text()).not.toContain('right: Left');
  });

  it('the right answer shows once it is asked for, where that is ruled', async () => {
    const rightAnswer = [{ before: null, text: 'Left', typed: false }];
    const atAnswers = [
      { n: 2, outcome: 'wrong' },
      { n: 1, outcome: 'right' },
    ];
    const ruled = { closed: true, told: [wrong], response: { choose: [2] }, rightAnswer, atAnswers, keyOnRequest: true };
    await open(sitting({ questions: [question(1, ruled)] }));
    expect(text()).not.toContain('right: Left');
    expect(screen.getAllByRole('radio').map((tile) => tile.textContent)).toEqual(['Left', 'Rightwrong']);
    press('Show the right answer');
    expect(text()).toContain('right: Left');
    expect(screen.getAllByRole('radio').map((tile) => tile.textContent)).toEqual(['Leftright', 'Rightwrong']);
    cleanup();
    await open(sitting({ questions: [question(1, { ...ruled, kind: 'several' })] }));
    expect(screen.getAllByRole('checkbox').map((tile) => tile.textContent)).toEqual(['Left', 'Right']);
  });

  it('Enter never gives away an attempt that is left', async () => {
    const sent = await open(sitting({ questions: [question(1, { attempt: 2, attempts: 2, response: { choose: [2] }, told: [wrong] })] }));
    expect(screen.getByRole('button', { name: 'Once more' }).className).toContain('main');
    expect(screen.getByRole('button', { name: 'Go on' }).className).not.toContain('main');
    expect(text()).toContain('Enter tries once more');
    fireEvent.keyDown(document.body, { key: 'Enter' });
    await settled();
    expect([sent(), screen.queryByRole('button', { name: 'Once more' })]).toEqual([[], null]);
    expect(text()).toContain('Enter checks');
  });

  it('Enter checks from a choice, and opens a list without giving away an attempt', async () => {
    const sent = await open(sitting({ questions: [question(1, { response: { choose: [2] } })] }));
    fireEvent.keyDown(screen.getAllByRole('radio')[1] ?? document.body, { key: 'Enter' });
    await settled();
    expect(sent()).toEqual([['checked', 1, { choose: [2] }]]);
    cleanup();
    const opens = vi.fn();
    HTMLSelectElement.prototype.showPicker = opens;
    const listed = await open(
      sitting({ questions: [question(1, { response: { choose: [2] }, answers: { choices: ['Left', 'Right'], layout: 'list' } })] }),
    );
    fireEvent.keyDown(screen.getByRole('combobox', { name: 'Answers to: Question number 1?' }), { key: 'Enter' });
    await settled();
    expect([listed(), opens.mock.calls.length]).toEqual([[], 1]);
  });

  it('a question can be hidden while its feedback shows, and comes back for another try', async () => {
    const told = { attempt: 2, attempts: 2, response: { choose: [2] }, told: [wrong], hides: true };
    await open(sitting({ questions: [question(1, told)] }));
    expect(text()).toContain('Look again.');
    expect(text()).not.toContain('Question number 1?');
    press('Once more');
    expect(text()).toContain('Question number 1?');
  });

  it.each([
    [700, ''],
    [280, '5 minutes left for the whole.'],
    [55, '1 minute left for the whole.'],
    [8, '10 s left for the whole.'],
    [0, 'The time for the whole has run out.'],
  ])('with %i s left it is said aloud once: %s', async (left, said) => {
    const now = Date.now();
    await open(sitting({ now, deadline: now + 1000 * left, seconds: 1200 }));
    expect(screen.getByRole('timer').parentElement?.querySelector('[role=status]')?.textContent).toBe(said);
  });

  it('points so far', async () => {
    await open(sitting({ score: { earned: '-1.5', max: '1' } }));
    expect(text()).toContain('so far −1.5 of 1 point');
  });

  it('choosing checks at once, without a button for it', async () => {
    const sent = await open(sitting({ questions: [question(1, { checksOnChoosing: true })] }));
    expect(screen.queryByRole('button', { name: 'Check' })).toBeNull();
    expect(text()).toContain('choosing checks');
    fireEvent.click(screen.getByText('Right'));
    await settled();
    expect(sent()).toEqual([['checked', 1, { choose: [2] }]]);
  });

  it('answers that are mixed anew show what was given where it stands now', async () => {
    const mixed = {
      answers: { choices: ['Right', 'Left'] },
      attempt: 2,
      attempts: 2,
      response: { choose: [1] },
      told: [{ ...wrong, response: { choose: [1] } }],
    };
    await open(sitting({ questions: [question(1, { attempts: 2 })] }), sitting({ events: 4, questions: [question(1, mixed)] }));
    fireEvent.click(screen.getByText('Right'));
    press('Check');
    await settled();
    const chosen = screen.getAllByRole('radio').filter((one) => one.getAttribute('aria-checked') === 'true');
    expect(chosen.map((one) => one.textContent)).toEqual(['Right']);
  });

  it.each([
    [true, 'right', [['checked', 1, { choose: [1] }], ['went on']]],
    [true, 'wrong', [['checked', 1, { choose: [1] }]]],
    [false, 'right', [['checked', 1, { choose: [1] }]]],
  ])('goes on by itself after a right answer where that is ruled: %s, %s', async (goesOn, outcome, expected) => {
    const told = { ...wrong, outcome, response: { choose: [1] } };
    const after = sitting({
      events: 4,
      questions: [question(1, { goesOnByItself: goesOn, closed: true, response: { choose: [1] }, told: [told] })],
    });
    const sent = await open(sitting({ questions: [question(1, { goesOnByItself: goesOn, checksOnChoosing: true })] }), after);
    fireEvent.click(screen.getByText('Left'));
    await settled();
    await settled();
    expect(sent()).toEqual(expected);
  });

  it('does not go on by itself where one comes back to a right answer', async () => {
    const told = { ...wrong, outcome: 'right' };
    const sent = await open(sitting({ questions: [question(1, { goesOnByItself: true, closed: true, told: [told] })] }));
    expect(sent()).toEqual([]);
  });
});

describe('a response that cannot be checked yet', () => {
  it.each<[string, object, Response, string | null]>([
    ['nothing given', {}, null, 'Give an answer first, then check it.'],
    ['one of two chosen', { choose: { least: 2, most: 2 } }, { choose: [1] }, 'Choose 2: 1 is chosen so far.'],
    ['none of two chosen', { choose: { least: 2, most: 2 } }, { choose: [] }, 'Choose 2: none is chosen so far.'],
    ['both chosen', { choose: { least: 2, most: 2 } }, { choose: [1, 3] }, null],
    ['some chosen, as many as one likes', { choose: { least: 1, most: null } }, { choose: [1] }, null],
    ['one of three parts', { choose: null, needs: 3 }, { gaps: { 1: 'a', 2: '' } }, 'All 3 are needed: 1 so far.'],
    ['all parts', { choose: null, needs: 2 }, { pairs: { 1: '2', 2: '1' } }, null],
    ['one part where that is enough', { choose: null }, { gaps: { 1: 'a' } }, null],
    ['a text', { choose: null }, { text: 'varroa' }, null],
  ])('says why: %s', (_, more, response, expected) => {
    expect(whyNotYet(question(1, more) as unknown as SittingQuestion, response)).toBe(expected);
  });

  it('says it beside the button, which stays off', async () => {
    const two = { kind: 'several', choose: { least: 2, most: 2 }, response: { choose: [1] } };
    await open(sitting({ questions: [question(1, two)] }));
    expect(screen.getByRole<HTMLButtonElement>('button', { name: 'Check' }).disabled).toBe(true);
    expect(text()).toContain('Choose 2: 1 is chosen so far.');
  });
});

describe('a screen that pages and questions share', () => {
  const items = [
    { page: 'care', n: null },
    { page: null, n: 1 },
    { page: null, n: 2 },
  ];
  const shared = (more: object = {}, questions = [question(1), question(2)]) =>
    sitting({
      screen: { ...steps, section: 'The boats', items },
      pages: { care: { heading: 'First read this', reads: 'Boats float.' } },
      questions,
      ...more,
    });

  it('shows all of them in their order, each with its own answers', async () => {
    const sent = await open(shared());
    expect(text()).toContain('Questions 1 to 2 · The boats');
    expect(text()).toMatch(/First read this.*Question 1.*Question number 1\?.*Question 2.*Question number 2\?/s);
    const [, second] = screen.getAllByRole('radiogroup');
    fireEvent.click(within(second as HTMLElement).getByText('Left'));
    fireEvent.click(screen.getAllByRole('button', { name: 'Check' })[1] as HTMLElement);
    await settled();
    expect(sent()).toEqual([
      ['saved', 2, { choose: [1] }],
      ['checked', 2, { choose: [1] }],
    ]);
  });

  it('sends what is still being typed before it is left', async () => {
    const typed = question(2, { kind: 'text', answers: {}, choose: null });
    const sent = await open(shared({ checks: false }, [question(1), typed]));
    fireEvent.change(screen.getByRole('textbox'), { target: { value: 'var' } });
    press('Go on');
    await settled();
    expect(sent()).toEqual([['saved', 2, { text: 'var' }], ['went on']]);
  });

  it('is looked over and handed in where it is all there is; each question can be marked to come back to', async () => {
    const sent = await open(shared({ checks: false, screen: { ...steps, items, goesOn: false, isFree: true } }));
    press('Come back to question 2');
    await settled();
    expect(sent()).toEqual([['flagged', 2]]);
    cleanup();
    await open(shared({ screen: { ...steps, items, goesOn: false, isFree: true } }, [question(1), { ...question(2), closed: true }]));
    expect(screen.queryByRole('button', { name: 'Come back to question 1' })).not.toBeNull();
    expect(screen.queryByRole('button', { name: 'Come back to question 2' }), 'nothing is left to do at what is closed').toBeNull();
    cleanup();
    await open(shared({ checks: false, screen: { ...steps, items, goesOn: false, isFree: true } }));
    press('Look over and hand in');
    expect(text()).toContain('2 questions are unanswered.');
    press(/Question number 2/);
    expect(text()).toContain('Questions 1 to 2');
  });
});
