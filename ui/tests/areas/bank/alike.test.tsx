import { cleanup, fireEvent, screen } from '@testing-library/react';
import { afterEach, describe, expect, it } from 'vitest';
import type { Schema } from '../../../src/api/client';
import AlikePage from '../../../src/areas/bank/list/AlikePage';
import { at, Served, settled } from '../../served';
import { pick, press } from '../../written';

afterEach(cleanup);

const author = { id: 1, login: 'orrell', name: 'M. Orrell', role: 'author' } as Schema['Account'];
const one = (id: number, excerpt: string, percent: number) => ({
  id,
  name: null,
  kind: 'one',
  status: 'cleared',
  excerpt,
  worth: '10',
  objective: 'Colony life',
  percent,
});
const groups = [[one(3, 'Who brings water?', 100), one(8, 'Who brings the water?', 75)]];
const path = 'GET /banks/{id}/alike';
const text = () => document.body.textContent;
const open = (account = author) => at('/banks/1/alike', '/banks/:bank/alike', <AlikePage account={account} />);

describe('questions that are alike', () => {
  it('are told group by group, with how much the others share with the first', async () => {
    new Served({ [path]: { groups, nearly: true, complete: true } });
    await open();
    expect(text()).toContain('1 group of questions that are alike');
    expect(text()).toContain('75 %');
    expect(text()).not.toContain('100 %');
  });

  it('are set beside the first, with their keys and the editions that hold them', async () => {
    const { asked } = new Served({
      [path]: { groups, nearly: true, complete: true },
      'GET /banks/{id}/alike/beside': {
        questions: [
          { id: 3, stem: 'Who brings water?', lines: [{ text: 'A forager', isKey: true }], editions: 2 },
          { id: 8, stem: 'Who brings the water?', lines: [{ text: 'A drone', isKey: false }], editions: 0 },
        ],
      },
    });
    await open();
    press('beside the first');
    await settled();
    expect(text()).toContain('A forager key');
    expect(text()).toContain('held by 2 editions');
    expect(text()).toContain('no edition holds it');
    expect(asked('GET', '/banks/{id}/alike/beside')).toHaveLength(1);
    press('beside the first');
    expect(text()).not.toContain('A forager key');
  });

  it('are merged into the one that is kept, and set apart again', async () => {
    const { asked } = new Served({
      [path]: { groups, nearly: true, complete: true },
      'GET /banks/{id}/alike/beside': {
        questions: [
          { id: 3, stem: 'Who brings water?', lines: [], editions: 0 },
          { id: 8, stem: 'Who brings the water?', lines: [], editions: 1 },
        ],
      },
      'POST /banks/{id}/alike/merge': { id: 9, words: 'merged one into the other' },
      'POST /banks/{bank}/changes/{id}/undo': { id: 9 },
    });
    await open();
    press('beside the first');
    await settled();
    const [, second] = screen.getAllByRole('button', { name: 'keep this one, merge the other into it' });
    if (second) fireEvent.click(second);
    await settled();
    expect(asked('POST', '/banks/{id}/alike/merge').map(({ body }) => body)).toEqual([{ keep: 8, other: 3 }]);
    expect(screen.getByRole('status').textContent).toContain('merged one into the other');
    press('undo');
    await settled();
    expect(asked('POST', '/banks/{bank}/changes/{id}/undo')).toHaveLength(1);
    expect(screen.queryByRole('status')).toBeNull();
  });

  it('are compared by their answers where one likes, unless there are too many', async () => {
    const { answers } = new Served({ [path]: { groups: [], nearly: true, complete: true } });
    await open();
    expect(text()).toContain('No two questions are alike');
    answers[path] = { groups: [], nearly: false, complete: false };
    pick('Compared by', 'their answers');
    await settled();
    expect(text()).toContain('This bank is too large to compare all answers');
  });

  it('are retired one by one, and back', async () => {
    const { asked } = new Served({
      [path]: { groups, nearly: true, complete: true },
      'POST /banks/{id}/questions/change': {
        id: 1,
        task: 'change many',
        state: 'done',
        done: 1,
        total: 1,
        stopAsked: false,
        failure: null,
        result: { changed: 1, left: 0, change: 5 },
      },
      'POST /banks/{bank}/changes/{id}/undo': { id: 5 },
    });
    await open();
    const [, second] = screen.getAllByRole('button', { name: /^Retire / });
    if (second) fireEvent.click(second);
    await settled();
    expect(asked('POST', '/banks/{id}/questions/change').map(({ body }) => body)).toEqual([{ ids: [8], change: { status: 'retired' } }]);
    press('undo');
    await settled();
    expect(asked('POST', '/banks/{bank}/changes/{id}/undo')).toHaveLength(1);
  });

  it('offer readers nothing to retire', async () => {
    new Served({ [path]: { groups, nearly: true, complete: true } });
    await open({ ...author, role: 'reviewer' });
    expect(screen.queryAllByRole('button', { name: /^Retire / })).toEqual([]);
  });
});
