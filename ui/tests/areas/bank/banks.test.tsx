import { cleanup, fireEvent, screen } from '@testing-library/react';
import { afterEach, describe, expect, it, vi } from 'vitest';
import type { Schema } from '../../../src/api/client';
import BanksPage from '../../../src/areas/banks/BanksPage';
import { at, Served, settled } from '../../served';
import { field, press, write } from '../../written';

const author = { id: 1, login: 'orrell', name: 'M. Orrell', role: 'author' } as Schema['Account'];

afterEach(() => {
  cleanup();
  vi.restoreAllMocks();
  localStorage.clear();
});

describe('the banks', () => {
  const row = { id: 3, name: 'Certificate', version: 2, putAway: false, questions: 90, cleared: 89, inReview: 1, blueprints: 3 };
  const names = () => screen.getAllByRole('link').map((link) => link.textContent);

  it('are copied under a name of their own, and listed when that is done', async () => {
    const banks = { banks: [row] };
    const { asked, answers } = new Served({
      'GET /banks': banks,
      'POST /banks/{id}/copy': {
        id: 1,
        task: 'copy bank',
        state: 'done',
        done: 90,
        total: 90,
        stopAsked: false,
        result: null,
        failure: null,
      },
    });
    await at('/banks', '/banks', <BanksPage account={author} />);
    press('copy');
    expect(field('Name of the copy of Certificate')).toHaveProperty('value', 'Certificate, copy');
    fireEvent.keyDown(field('Name of the copy of Certificate'), { key: 'Escape' });
    expect(asked('POST', '/banks/{id}/copy')).toEqual([]);
    press('copy');
    write('Name of the copy of Certificate', 'Next year');
    answers['GET /banks'] = { banks: [row, { ...row, id: 4, name: 'Next year' }] };
    fireEvent.keyDown(field('Name of the copy of Certificate'), { key: 'Enter' });
    await settled();
    expect(asked('POST', '/banks/{id}/copy').map(({ body }) => body)).toEqual([{ name: 'Next year' }]);
    expect(names()).toContain('Next year');
  });
});
