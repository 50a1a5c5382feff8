import { cleanup, screen } from '@testing-library/react';
import { afterEach, expect, it, vi } from 'vitest';
import BlueprintsPage from '../../../src/areas/blueprint/BlueprintsPage';
import { at, Served, settled } from '../../served';
import { press } from '../../written';

afterEach(() => {
  cleanup();
  vi.restoreAllMocks();
});

const orrell = { id: 1, login: 'orrell', name: 'M. Orrell', role: 'author' as const };
const row = (id: number, title: string, more: object = {}) => ({
  id,
  title,
  questions: 2,
  edition: null,
  sittings: 0,
  running: [],
  putAway: false,
  ...more,
});

it('the list does not wait for what forms come to; one that is put away says so', async () => {
  const served = new Served({
    'GET /banks/{id}/blueprints': {
      blueprints: [row(1, 'Paper', { edition: 2, sittings: 9, running: [{ edition: 7, sittings: 3 }] }), row(2, 'Quiz'), row(3, 'Draft')],
    },
    'GET /banks/{id}/blueprints/points': { points: { 1: { least: '4', most: '4' }, 2: { least: '3', most: '5' }, 3: null } },
    'PUT /blueprints/{id}/put-away': { blueprints: [row(2, 'Quiz'), row(3, 'Draft'), row(1, 'Paper', { edition: 2, putAway: true })] },
  });
  await at('/banks/1/blueprints', '/banks/:bank/blueprints', <BlueprintsPage account={orrell} />);
  await settled();
  const text = () => document.body.textContent;
  expect(text()).toContain('2 questions, 4 points · edition 2 in use');
  expect(text()).toContain('2 questions, 3 to 5 points · no edition yet');
  expect(text()).toContain('2 questions · no edition yet');
  expect(screen.getByRole('link', { name: '3 being sat now' }).getAttribute('href')).toBe('/banks/1/blueprints/1/editions/7/results');
  press('Put away: Paper');
  expect(text()).toContain('3 candidates are sitting it now.');
  press('put away, and close them too');
  await settled();
  expect(served.asked('PUT', '/blueprints/{id}/put-away').map(({ body }) => body)).toEqual([{ putAway: true, sittings: true }]);
  expect(text()).toContain('2 questions, 4 points · put away');
  expect(screen.getByRole('button', { name: 'Take out again: Paper' })).toBeTruthy();
});
