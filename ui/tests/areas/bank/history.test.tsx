import { cleanup, screen } from '@testing-library/react';
import { afterEach, describe, expect, it, test } from 'vitest';
import type { Schema } from '../../../src/api/client';
import HistoryPage from '../../../src/areas/bank/history/HistoryPage';
import { asked, type Narrowed } from '../../../src/areas/bank/history/narrowed';
import { at, Served, settled } from '../../served';
import { pick, press } from '../../written';

const author = { id: 1, login: 'orrell', name: 'M. Orrell', role: 'author' } as Schema['Account'];
const people = [
  { id: 1, name: 'M. Orrell' },
  { id: 2, name: 'S. Penhale' },
];
const change = (id: number, kind: string, words: string, undoneAt: string | null = null) => ({
  id,
  kind,
  words,
  by: 'M. Orrell',
  at: '2026-05-03T10:00:00+00:00',
  undoneAt,
  undoneBy: undoneAt && 'S. Penhale',
});
const text = () => document.body.textContent;

afterEach(cleanup);

test.each<[Partial<Narrowed>, object]>([
  [{}, {}],
  [{ what: 'saves' }, {}],
  [
    { what: 'thrown away', who: '2' },
    { kind: 'thrown away', who: 2 },
  ],
  [{ days: '7' }, { since: '2026-02-26' }],
  [{ days: '1' }, { since: '2026-03-04' }],
])('the history narrowed to %o is asked for as %o', (narrowed, query) => {
  expect(asked({ what: '', who: '', days: '', ...narrowed }, new Date(2026, 2, 5))).toEqual(query);
});

describe('the history of a bank', () => {
  const path = 'GET /banks/{id}/changes';

  it('says who did what, and what was undone by whom', async () => {
    new Served({
      [path]: { people, changes: [change(2, 'pool', 'made a pool'), change(1, 'objectives', 'added one', '2026-05-04T10:00:00+00:00')] },
    });
    await at('/banks/1/history', '/banks/:bank/history', <HistoryPage account={author} />);
    expect(text()).toContain('M. Orrell made a pool');
    expect(text()).toContain('undone by S. Penhale');
    expect(screen.getAllByRole('button', { name: /^Undo: / })).toHaveLength(1);
  });

  it('takes an intake back after it was asked once more: that is for good', async () => {
    const { asked: requests } = new Served({
      [path]: { people, changes: [change(4, 'intake', 'took in “a.txt”: 2 questions')] },
      'POST /banks/{bank}/changes/{id}/undo': { ...change(4, 'intake', 'took in “a.txt”: 2 questions'), job: null },
    });
    await at('/banks/1/history', '/banks/:bank/history', <HistoryPage account={author} />);
    press('Take back: took in “a.txt”: 2 questions');
    expect(requests('POST', '/banks/{bank}/changes/{id}/undo')).toHaveLength(0);
    press('Take back for good: took in “a.txt”: 2 questions');
    await settled();
    expect(requests('POST', '/banks/{bank}/changes/{id}/undo')).toHaveLength(1);
  });

  it('offers readers nothing to undo', async () => {
    new Served({ [path]: { people, changes: [change(2, 'pool', 'made a pool')] } });
    await at('/banks/1/history', '/banks/:bank/history', <HistoryPage account={{ ...author, role: 'reviewer' }} />);
    expect(screen.queryByRole('button', { name: /^Undo: / })).toBeNull();
  });

  it('has a wastebasket of what was thrown away and not restored yet', async () => {
    const basket = [
      change(3, 'thrown away', 'threw away the question “wasps”'),
      change(2, 'thrown away', 'threw away “moths”', '2026-05-04T10:00:00+00:00'),
    ];
    const { asked: requests } = new Served({
      [path]: { people, changes: basket },
      'POST /banks/{bank}/changes/{id}/undo': { refuse: 409, detail: 'Another question is named “wasps” by now.' },
    });
    await at('/banks/1/history', '/banks/:bank/history', <HistoryPage account={author} />);
    pick('What', 'the wastebasket');
    await settled();
    expect(text()).not.toContain('moths');
    press('Restore: threw away the question “wasps”');
    await settled();
    expect(screen.getByRole('alert').textContent).toBe('Another question is named “wasps” by now.');
    expect(requests('POST', '/banks/{bank}/changes/{id}/undo')).toHaveLength(1);
  });

  it('says where a question stands that was restored, before it leaves the basket', async () => {
    const thrown = change(3, 'thrown away', 'threw away the question “wasps”');
    const restored = {
      ...change(3, 'thrown away', thrown.words, '2026-05-04T10:00:00+00:00'),
      question: { id: 7, objective: 'Law > Wasps' },
    };
    let basket = [thrown];
    new Served({
      [path]: () => ({ people, changes: basket }),
      'POST /banks/{bank}/changes/{id}/undo': () => {
        basket = [restored];
        return restored;
      },
    });
    await at('/banks/1/history?what=thrown+away', '/banks/:bank/history', <HistoryPage account={author} />);
    press('Restore: threw away the question “wasps”');
    await settled();
    expect(text()).toContain('It stands in Law > Wasps again');
    expect(screen.getByRole('link', { name: 'to the question' }).getAttribute('href')).toBe('/banks/1/questions/7');
  });

  it('tells saves of single questions, by whom one likes', async () => {
    const save = { id: 9, question: 7, words: 'drone sting', number: 3, by: 'S. Penhale', at: '2026-05-03T10:00:00+00:00', cleared: true };
    new Served({ [path]: { people, changes: [] }, 'GET /banks/{id}/saves': { people, saves: [save] } });
    await at('/banks/1/history?what=saves', '/banks/:bank/history', <HistoryPage account={author} />);
    expect(text()).toContain('S. Penhale saved drone sting');
    expect(text()).toContain('revision 3, cleared');
    expect(screen.getByRole('link', { name: 'drone sting' }).getAttribute('href')).toBe('/banks/1/questions/7');
    pick('By whom', 'by S. Penhale');
    await settled();
    expect(text()).toContain('S. Penhale saved drone sting');
  });
});
