import { cleanup, fireEvent, screen } from '@testing-library/react';
import { afterEach, describe, expect, it, vi } from 'vitest';
import type { Schema } from '../../../src/api/client';
import { WholeText } from '../../../src/areas/blueprint/WholeText';
import SittingPage from '../../../src/areas/delivery/SittingPage';
import { at, Served, settled } from '../../served';
import { press } from '../../written';
import { question, sitting, steps } from './played';

const candidate = { id: 4, login: 'carrow', name: 'J. Carrow', role: 'candidate' } as Schema['Account'];
const text = () => document.body.textContent;

afterEach(() => {
  cleanup();
  vi.restoreAllMocks();
  localStorage.clear();
});

const page = { page: 'care', n: null };
const pages = { care: { heading: 'Lighting a smoker', reads: 'Begin with *dry* straw.' } };

async function open(first: object, next: object = sitting()) {
  const served = new Served({ 'GET /sittings/{id}': first, 'POST /sittings/{id}/events': next });
  await at('/sittings/7', '/sittings/:id', <SittingPage account={candidate} />);
  await settled();
  return () => served.asked('POST', '/sittings/{id}/events').map(({ body }) => (body as { type: string; sheet?: number }).type);
}

describe('a screen of a sitting that is gone through forward', () => {
  it('is one question, with nothing to come back to and no word of how many there are', async () => {
    const sent = await open(sitting(), sitting({ events: 4, questions: [question(2)] }));
    expect(text()).toContain('Question 1 · Boats');
    expect(text()).toContain('cannot be come back to');
    expect(screen.queryByText('Come back to this')).toBeNull();
    expect(screen.queryByText('Back')).toBeNull();
    press('Go on');
    await settled();
    expect(sent()).toEqual(['went on']);
    expect(text()).toContain('Question number 2?');
  });

  it('saves what is chosen before it goes on', async () => {
    const sent = await open(sitting(), sitting({ events: 4 }));
    fireEvent.click(screen.getByText('Right'));
    press('Go on');
    await settled();
    expect(sent()).toEqual(['saved', 'went on']);
  });

  it('says that a question must be answered', async () => {
    await open(sitting({ questions: [question(1, { mustAnswer: true })] }));
    expect(text()).toContain('This question must be answered.');
  });

  it('is asked afresh after a refresher, whatever was chosen before', async () => {
    const wrong = {
      attempt: 1,
      outcome: 'wrong',
      earned: '0',
      max: '2',
      response: { choose: [2] },
      facts: 'Wrong.',
      said: ['Look again.'],
    };
    await open(
      sitting({ questions: [question(1, { closed: true, response: { choose: [2] }, answered: true, told: [wrong] })] }),
      sitting({ events: 4 }),
    );
    expect(text()).toContain('Look again.');
    press('Go on');
    await settled();
    expect(screen.getAllByRole('radio').map((choice) => choice.getAttribute('aria-checked'))).toEqual(['false', 'false']);
    expect(text()).not.toContain('Look again.');
  });

  it('is a page, or one to read again before another try', async () => {
    const sent = await open(sitting({ questions: [], screen: { ...steps, sort: 'refresher', items: [page] }, pages }));
    expect(text()).toContain('Read this, then try once more');
    expect(text()).toContain('Lighting a smoker');
    fireEvent.keyDown(document.body, { key: 'Enter' });
    await settled();
    expect(sent()).toEqual(['went on']);
  });

  it('is a checkpoint that is announced, and tells nothing of where it leads', async () => {
    await open(sitting({ questions: [], screen: { ...steps, sort: 'checkpoint', section: 'The morning' } }));
    expect(text()).toContain('A part is done · The morning');
    expect(text()).toContain('depends on what you gave so far');
  });

  it('is the end, from where the paper is handed in', async () => {
    const sent = await open(sitting({ questions: [], screen: { ...steps, sort: 'end', goesOn: false } }));
    expect(text()).toContain('That was the last question.');
    press('Hand in the paper');
    await settled();
    expect(sent()).toEqual(['handed in']);
  });

  it('warns who hands in before the end', async () => {
    const sent = await open(sitting());
    press('Hand in the paper');
    expect(text()).toContain('whatever is still to come counts as unanswered');
    expect(sent()).toEqual([]);
  });

  const stretch = [1, 2, 3].map((n) => ({ n, isHere: n === 1, isAnswered: n === 1, isFlagged: n === 3, isClosed: false, isLeft: n === 2 }));
  const free = { ...steps, isFree: true };

  it('can be left for another of the stretch, where one moves freely', async () => {
    const sent = await open(sitting({ screen: free, stretch }), sitting({ events: 4, screen: free, stretch, questions: [question(3)] }));
    fireEvent.click(screen.getByText('Left'));
    expect(screen.getByText<HTMLButtonElement>('2, open').disabled, 'it had a time of its own').toBe(true);
    press('3, to come back to');
    await settled();
    expect(sent()).toEqual(['saved', 'went to']);
    expect(text()).toContain('Question number 3?');
    press('Hand in the paper');
    expect(text()).toContain('2 questions are unanswered here.');
  });

  it('goes to another question of the same screen by itself, and to one of another screen at once', async () => {
    const shared = [1, 2, 3].map((n) => ({ n, isHere: n < 3, isAnswered: false, isFlagged: false, isClosed: false, isLeft: false }));
    const sent = await open(
      sitting({ screen: free, stretch: shared, questions: [question(1), question(2)] }),
      sitting({ events: 4, screen: free, stretch: shared.map((q) => ({ ...q, isHere: q.n > 2 })), questions: [question(4), question(3)] }),
    );
    press('2, open');
    expect([text().includes('Question number 2?'), sent()]).toEqual([true, []]);
    press('3, open');
    await settled();
    expect([text().includes('Question number 3?'), sent()]).toEqual([true, ['went to']]);
  });

  it('can be gone back to from the end behind a stretch', async () => {
    const ended = { ...free, sort: 'end', goesOn: false };
    const sent = await open(sitting({ questions: [], screen: ended, stretch: stretch.map((q) => ({ ...q, isHere: false })) }));
    press('1, answered');
    await settled();
    expect(sent()).toEqual(['went to']);
  });

  it('shows the question’s own clock beside that of the whole', async () => {
    const now = Date.now();
    await open(sitting({ now, deadline: now + 600_000, seconds: 600, clocks: [{ of: 'question', n: 1, ends: now + 45_000 }] }));
    expect(text()).toContain('0:45 left for this question');
    expect(text()).toContain('left of 10 minutes');
  });

  it.each([
    ['opens in a while', { open: true, opensAt: 8_000 }, 'a hint in 8 s'],
    ['is open', { open: true, opensAt: null }, 'Hint, costs 1 point'],
    ['opens at a later attempt', { open: false, opensAt: null, fromAttempt: 2 }, 'a hint from attempt 2'],
  ])('offers a hint that %s', async (_, hint, words) => {
    const now = Date.now();
    const nextHint = { costs: '1', fromAttempt: 1, ...hint, opensAt: hint.opensAt === null ? null : now + hint.opensAt };
    await open(sitting({ now, questions: [question(1, { nextHint })] }));
    expect(text()).toContain(words);
  });
});

describe('a blueprint that is written as a whole', () => {
  const document = {
    v: 2,
    title: 'T',
    sections: [
      {
        id: 'a',
        title: 'The morning',
        time: '2 min',
        order: 'mixed',
        steps: [
          { id: 'p1', page: 'reading', then: 'end' },
          { id: 'q1', question: 'trim', refresher: { pages: ['care'] } },
          { id: 'd1', draw: { take: 3, pool: { objective: 'Boats > Oars', kinds: ['one'] } } },
          { id: 'c1', checkpoint: { routes: [{ to: 'b' }, { to: 'end' }], announced: true } },
        ],
      },
    ],
  };
  const blueprint = { id: 5, version: 2, document, isWhole: true } as unknown as Parameters<typeof WholeText>[0]['blueprint'];
  const box = () => screen.getByLabelText('The whole blueprint as text', { selector: 'textarea' });
  const write = (value: string) => fireEvent.change(box(), { target: { value } });

  it('keeps what is typed until it is saved, and says where it is refused', async () => {
    const served = new Served({ 'PUT /blueprints/{id}/document': { refuse: 422, detail: 'there is no page “x”' } });
    await at('/', '/', <WholeText blueprint={blueprint} />);
    write('{"v":2}');
    expect(text()).toContain('kept here, not saved yet');
    press('Save the whole');
    await settled();
    expect(text()).toContain('there is no page “x”');
    expect(served.asked('PUT', '/blueprints/{id}/document')[0]?.body).toEqual({ version: 2, document: { v: 2 } });
    cleanup();
    await at('/', '/', <WholeText blueprint={blueprint} />);
    expect((box() as HTMLTextAreaElement).value).toBe('{"v":2}');
    press('Back to what is saved');
    expect((box() as HTMLTextAreaElement).value).toContain('The morning');
    expect(localStorage.length).toBe(0);
  });

  it('sends nothing that is no JSON', async () => {
    const served = new Served({});
    await at('/', '/', <WholeText blueprint={blueprint} />);
    write('{"v":2');
    press('Save the whole');
    await settled();
    expect(text()).toContain('This is no JSON');
    expect(served.calls).toEqual([]);
  });

  it('is saved over the version it was written on', async () => {
    const served = new Served({ 'PUT /blueprints/{id}/document': { ...blueprint, version: 3, document: { ...document, title: 'U' } } });
    const done = vi.fn();
    await at('/', '/', <WholeText blueprint={blueprint} onDone={done} />);
    write(JSON.stringify({ ...document, title: 'U' }));
    press('Save the whole');
    await settled();
    expect(done).toHaveBeenCalled();
    expect(localStorage.length).toBe(0);
    expect(served.asked('PUT', '/blueprints/{id}/document')).toHaveLength(1);
  });
});
