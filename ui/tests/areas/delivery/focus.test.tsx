import { cleanup, fireEvent, screen } from '@testing-library/react';
import { afterEach, describe, expect, it, vi } from 'vitest';
import type { Schema } from '../../../src/api/client';
import SittingPage from '../../../src/areas/delivery/SittingPage';
import { at, Served, settled } from '../../served';
import { press } from '../../written';
import { question, sitting, steps } from './played';

const candidate = { id: 4, login: 'carrow', name: 'J. Carrow', role: 'candidate' } as Schema['Account'];
const text = () => document.body.textContent;
const focused = () => document.activeElement?.textContent.trim();
const told = { attempt: 1, outcome: 'wrong', earned: '0', max: '2', response: { choose: [2] }, facts: 'Wrong.', said: ['Look again.'] };

Element.prototype.scrollIntoView = () => undefined;

afterEach(() => {
  cleanup();
  vi.restoreAllMocks();
  localStorage.clear();
});

async function open(first: object, ...next: object[]) {
  let turn = 0;
  new Served({ 'GET /sittings/{id}': first, 'POST /sittings/{id}/events': () => next[turn++] ?? next.at(-1) ?? first });
  await at('/sittings/7', '/sittings/:id', <SittingPage account={candidate} />);
  await settled();
}

describe('the focus goes to what is new', () => {
  it('nowhere, as long as nothing is', async () => {
    await open(sitting({ questions: [question(1, { told: [told], response: { choose: [2] }, closed: true })] }));
    expect(document.activeElement).toBe(document.body);
  });

  it('an outcome, and the answers once more', async () => {
    const two = { attempts: 2, response: { choose: [2] } };
    await open(
      sitting({ questions: [question(1, two)] }),
      sitting({ events: 4, questions: [question(1, { ...two, attempt: 2, told: [told] })] }),
    );
    press('Check');
    await settled();
    expect(focused()).toBe('attempt 1: Wrong.Look again.');
    press('Once more');
    expect([document.activeElement?.getAttribute('role'), focused()]).toEqual(['radio', 'Right']);
  });

  it('a hint', async () => {
    const nextHint = { costs: '1', fromAttempt: 1, open: true, opensAt: null };
    const after = question(1, { hintsOpen: ['Think of the wick.'] });
    await open(sitting({ questions: [question(1, { nextHint })] }), sitting({ events: 4, questions: [after] }));
    press('Hint');
    await settled();
    expect([focused(), document.activeElement?.getAttribute('aria-label')]).toEqual(['Think of the wick.', 'Hint 1']);
  });

  it('the next screen, a question of a screen, and looking the paper over', async () => {
    const items = [
      { page: null, n: 2 },
      { page: null, n: 3 },
    ];
    const stretch = [2, 3].map((n) => ({ n, isHere: true, isAnswered: false, isFlagged: false, isClosed: false, isLeft: false }));
    const shared = { screen: { ...steps, items, isFree: true }, stretch, questions: [question(2), question(3)] };
    await open(sitting(), sitting({ events: 4, ...shared }));
    press('Go on');
    await settled();
    expect(focused()).toBe('Questions 2 to 3');
    press('3, open');
    expect(focused()).toBe('Question 3');
    press('Hand in the paper');
    expect(focused()).toBe('Before you hand in');
  });
});

describe('a right answer after which it goes on by itself', () => {
  it('is told on the next screen, until the next step', async () => {
    const right = { ...told, outcome: 'right', earned: '2', response: { choose: [1] }, facts: 'Right: 2 of 2.', said: ['Just so.'] };
    const asked = question(1, { goesOnByItself: true, checksOnChoosing: true });
    await open(
      sitting({ questions: [asked] }),
      sitting({ events: 4, questions: [{ ...asked, closed: true, response: { choose: [1] }, told: [right] }] }),
      sitting({ events: 5, questions: [question(2)] }),
    );
    fireEvent.click(screen.getByText('Left'));
    await settled();
    await settled();
    expect(text()).toContain('Question number 2?');
    expect(screen.getAllByRole('status').map(({ textContent }) => textContent.trim())).toContain('Question 1: Right: 2 of 2.Just so.');
    press('Go on');
    await settled();
    expect(text()).not.toContain('Just so.');
  });
});

describe('where one is, and whether it is saved', () => {
  const at = { n: 1, of: 8 };

  it.each([
    ['a question', { screen: { ...steps, at } }, 'Question 1 · page 1 of 8 · Boats'],
    ['a page', { screen: { ...steps, at, items: [{ page: 'care', n: null }] }, questions: [] }, 'To read · page 1 of 8'],
    ['where it depends on what is answered', { screen: steps }, 'Question 1 · Boats'],
  ])('%s', async (_, more, words) => {
    await open(sitting(more));
    expect(document.querySelector('[data-place]')?.textContent).toBe(words);
  });

  it('nothing to save says nothing of saving', async () => {
    const items = [{ page: 'care', n: null }];
    await open(sitting({ screen: { ...steps, items }, questions: [] }));
    expect(text()).not.toContain('saved');
    cleanup();
    await open(sitting());
    expect(text()).not.toContain('saved');
    fireEvent.click(screen.getByText('Right'));
    await settled();
    expect(text()).toContain('saved');
    cleanup();
    await open(sitting({ questions: [question(1, { answered: true, response: { choose: [2] } })] }));
    expect(text()).toContain('saved');
  });
});
