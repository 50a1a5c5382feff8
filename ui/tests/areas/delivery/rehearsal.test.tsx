import { cleanup, screen } from '@testing-library/react';
import { afterEach, describe, expect, it } from 'vitest';
import type { Schema } from '../../../src/api/client';
import SittingPage from '../../../src/areas/delivery/SittingPage';
import { at, Served, settled } from '../../served';
import { pick, press } from '../../written';
import { question, sitting } from './played';

const author = { id: 1, login: 'orrell', name: 'M. Orrell', role: 'author' } as Schema['Account'];
const text = () => document.body.textContent;

afterEach(() => {
  cleanup();
  localStorage.clear();
});

const watch = (more: object = {}) => ({
  seed: 3,
  sum: '0',
  max: '2',
  questions: [],
  stopped: false,
  tallies: [],
  given: [],
  routes: [],
  events: [],
  ...more,
});
const rehearsal = (more: object = {}, watched: object = {}) => sitting({ rehearsal: true, blueprint: 4, watch: watch(watched), ...more });

async function open(first: object, more: object = {}) {
  const served = new Served({ 'GET /sittings/{id}': first, ...more });
  await at('/sittings/7', '/sittings/:id', <SittingPage account={author} />);
  await settled();
  return () => served.asked('POST', '/sittings/{id}/rehearsal').map(({ body }) => body);
}

describe('a rehearsal', () => {
  it('has what is here, or all to come, answered as is chosen', async () => {
    const right = { attempt: 1, outcome: 'right', earned: '2', max: '2', response: { choose: [1] }, facts: 'Right.', said: [] };
    const answered = rehearsal({ events: 4, questions: [question(1, { closed: true, told: [right], response: { choose: [1] } })] });
    const asked = await open(rehearsal(), { 'POST /sittings/{id}/rehearsal': answered });
    press('what is here');
    await settled();
    expect(text()).toContain('Right.');
    expect(screen.queryByRole('button', { name: 'what is here' }), 'nothing is open here').toBeNull();
    pick('How it is answered', 'not at all');
    press('all that is to come');
    await settled();
    expect(asked()).toEqual([
      { do: 'answer', how: 'rightly' },
      { do: 'answer', how: 'not at all', rest: true },
    ]);
  });

  it('is looked at as a phone has it, in a frame that says when something happened in it', async () => {
    const served = new Served({ 'GET /sittings/{id}': rehearsal() });
    await at('/sittings/7', '/sittings/:id', <SittingPage account={author} />);
    await settled();
    pick('Width', 'phone');
    expect(document.querySelector('iframe')?.getAttribute('src')).toBe('/sittings/7?framed');
    expect(screen.queryByRole('radio'), 'it is answered in the frame').toBeNull();
    const before = served.asked('GET', '/sittings/{id}').length;
    window.dispatchEvent(new MessageEvent('message', { data: 'zetema:happened', origin: 'https://elsewhere.example' }));
    await settled();
    expect(served.asked('GET', '/sittings/{id}'), 'others are not heard').toHaveLength(before);
    window.dispatchEvent(new MessageEvent('message', { data: 'zetema:happened', origin: window.location.origin }));
    await settled();
    expect(served.asked('GET', '/sittings/{id}')).toHaveLength(before + 1);
  });

  it('within the frame it has no bar, as candidates have none', async () => {
    new Served({ 'GET /sittings/{id}': rehearsal() });
    await at('/sittings/7?framed', '/sittings/:id', <SittingPage account={author} />);
    await settled();
    expect(screen.queryByRole('group', { name: 'Rehearsal' })).toBeNull();
    expect(screen.queryByText('watch')).toBeNull();
    expect(screen.getAllByRole('radio').length).toBeGreaterThan(0);
  });

  it('winds the clock on, by time or to the end of what runs, stops it, and takes steps back', async () => {
    const now = Date.now();
    const timed = { now, deadline: now + 90_000, seconds: 90, clocks: [{ of: 'question', n: 1, ends: now + 9_000 }] };
    const asked = await open(rehearsal(timed), { 'POST /sittings/{id}/rehearsal': rehearsal(timed, { stopped: true }) });
    expect(screen.queryByRole('button', { name: 'to the end of this section' })).toBeNull();
    for (const words of ['stop it', '10 s', 'to the end of this question', 'to the end of the whole']) {
      press(words);
      await settled();
    }
    expect(text()).toContain('the clock stands still');
    press('let it go on');
    await settled();
    press('a step back');
    await settled();
    expect(asked()).toEqual([
      { do: 'stop' },
      { do: 'wind on', to: 'seconds', seconds: 10 },
      { do: 'wind on', to: 'question' },
      { do: 'wind on', to: 'whole' },
      { do: 'go on' },
      { do: 'back' },
    ]);
  });

  it('shows tallies, ways and events, which no candidate sees', async () => {
    const watched = {
      tallies: [{ tally: 'calm', value: -2, band: 'hasty' }],
      given: [{ n: 2, given: [{ before: null, text: '5', typed: false }] }],
      routes: [
        { step: 4, to: 6, by: 1 },
        { step: 7, to: 8, by: null },
      ],
      events: [{ at: '4.2', kind: 'ran out', n: 2 }],
    };
    await open(rehearsal({}, watched));
    expect(text()).toContain('calm −2: hasty');
    expect(text()).toContain('question 2, ungraded: 5');
    expect(text()).toContain('step 4 → 6, by its route 1');
    expect(text()).toContain('step 7 → 8, otherwise');
    press('events');
    expect(text()).toContain('4.2 stime ran out, question 2');
    cleanup();
    await open(sitting());
    expect(screen.queryByRole('group', { name: 'Rehearsal' })).toBeNull();
  });
});
