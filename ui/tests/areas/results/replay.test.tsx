import { cleanup, fireEvent, screen } from '@testing-library/react';
import { afterEach, expect, it } from 'vitest';
import ReplayPage from '../../../src/areas/results/ReplayPage';
import { at, Served, settled } from '../../served';
import { press } from '../../written';
import { question, sitting } from '../delivery/played';

afterEach(cleanup);

const then = (event: number, kind: string, more: object = {}) => ({
  event,
  events: 3,
  kind,
  n: kind === 'saved' ? 1 : null,
  at: String(20 * event),
  candidate: 'B. Wren',
  screen: sitting(more),
});

it('a finished sitting is gone through event by event, with the clock as it stood', async () => {
  const saved = { now: 50_000, deadline: 650_000, seconds: 900, questions: [question(1, { response: { choose: [2] }, answered: true })] };
  const replies = [then(1, 'started'), then(2, 'saved', saved), then(3, 'handed in', { phase: 'ended', screen: null, questions: [] })];
  const served = new Served({ 'GET /sittings/{id}/replay/{number}': replies[0] ?? {} });
  const go = async (to: number, how: () => void) => {
    served.answers['GET /sittings/{id}/replay/{number}'] = replies[to - 1] ?? {};
    how();
    await settled();
  };
  await at('/papers/7/replay', '/papers/:id/replay', <ReplayPage account={{ id: 1, login: 'o', name: 'O', role: 'author' }} />);
  await settled();
  expect(document.body.textContent).toContain('begun');
  expect(screen.getByRole<HTMLButtonElement>('button', { name: 'back' }).disabled).toBe(true);

  await go(2, () => press('on'));
  expect(document.body.textContent).toContain('saved, question 1');
  expect(document.body.textContent).toContain('10:00');
  expect(screen.getByRole<HTMLButtonElement>('radio', { name: 'Right' })).toMatchObject({ disabled: true, ariaChecked: 'true' });

  await go(3, () => fireEvent.keyDown(document.body, { key: 'ArrowRight' }));
  expect(document.body.textContent).toContain('The paper is handed in.');
  await go(3, () => fireEvent.keyDown(document.body, { key: 'ArrowRight' }));
  expect(document.body.textContent, 'there is nothing behind the last').toContain('event 3 of 3');
  await go(1, () => fireEvent.change(screen.getByLabelText('Event'), { target: { value: '1' } }));
  expect(document.body.textContent).toContain('event 1 of 3');
});
