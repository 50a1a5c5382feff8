import { cleanup, screen } from '@testing-library/react';
import { afterEach, describe, expect, it, vi } from 'vitest';
import type { Schema } from '../../../src/api/client';
import QuestionsPage from '../../../src/areas/bank/list/QuestionsPage';
import { at, Served, settled } from '../../served';
import { pick, write } from '../../written';

const author = { id: 1, login: 'orrell', name: 'M. Orrell', role: 'author' } as Schema['Account'];
const reader = { ...author, id: 2, role: 'reviewer' } as Schema['Account'];
const text = () => document.body.textContent;

afterEach(() => {
  cleanup();
  vi.restoreAllMocks();
  localStorage.clear();
});

describe('the list of questions', () => {
  const row = (id: number) => ({
    id,
    name: `q${id}`,
    kind: 'one',
    status: 'cleared',
    excerpt: `Question ${id}?`,
    worth: '10',
    revision: 1,
    objective: 'Colony life',
    unfinished: false,
    pattern: false,
    dealt: true,
  });
  const served = () =>
    new Served({
      'GET /banks/{id}/questions': ({ query }) =>
        query?.after === ''
          ? { questions: [1, 2, 3].map(row), total: 5, atLeast: false, after: 'three' }
          : { questions: [4, 5].map(row), total: null, after: null },
      'GET /banks/{id}/board': {
        bank: { id: 1, name: 'B' },
        kinds: ['one'],
        rows: [{ objective: { id: 8, name: 'Colony life', path: 'Colony life', depth: 0 }, cells: {} }],
        inReview: 0,
      },
    });
  const page = (account = author) => <QuestionsPage account={account} />;

  it('tells how many there are, and asks for a page at a time', async () => {
    const { asked } = served();
    await at('/banks/1/questions', '/banks/:bank/questions', page());
    await settled();
    expect(text()).toContain('5 questions');
    expect(asked('GET', '/banks/{id}/questions').map(({ query }) => query?.after)).toEqual(['', 'three']);
  });

  it('keeps its filter and order in the address, and asks by them', async () => {
    const { asked } = served();
    const { address } = await at('/banks/1/questions?kind=claim', '/banks/:bank/questions', page());
    pick('Status', 'in review');
    await settled();
    pick('Order', 'by their text');
    await settled();
    pick('Kind', 'every kind');
    await settled();
    expect(address()).toBe('/banks/1/questions?status=in+review&order=text');
    expect(asked('GET', '/banks/{id}/questions').at(-1)?.query).toMatchObject({ status: 'in review', order: 'text' });
    expect(asked('GET', '/banks/{id}/questions').at(-1)?.query).not.toHaveProperty('kind');
  });

  it('searches once the typing pauses, and then by when they were made', async () => {
    const { asked, calls } = served();
    const { address } = await at('/banks/1/questions', '/banks/:bank/questions', page());
    const before = calls.length;
    for (const typed of ['q', 'qu', 'queen']) write('Search in the text of questions', typed);
    await settled();
    expect(calls).toHaveLength(before);
    await settled(320);
    expect([address(), asked('GET', '/banks/{id}/questions').at(-1)?.query]).toMatchObject([
      '/banks/1/questions?search=queen',
      { search: 'queen', order: 'made' },
    ]);
  });

  it('says so when more were found than are counted', async () => {
    const { answers } = served();
    answers['GET /banks/{id}/questions'] = { questions: [row(1)], total: 2_000, atLeast: true, after: null };
    await at('/banks/1/questions?search=hive', '/banks/:bank/questions', page());
    expect(text()).toContain('2,000 questions or more');
  });

  it('lets authors write and nobody else', async () => {
    served();
    await at('/banks/1/questions', '/banks/:bank/questions', page());
    expect(screen.queryByRole('link', { name: 'Write a question' })).not.toBeNull();
    cleanup();
    await at('/banks/1/questions', '/banks/:bank/questions', page(reader));
    expect(screen.queryByRole('link', { name: 'Write a question' })).toBeNull();
  });

  it('says what is wrong when it cannot be had', async () => {
    new Served({
      'GET /banks/{id}/questions': { refuse: 503, detail: 'The disk is full.', type: 'fault' },
      'GET /banks/{id}/board': { refuse: 503, detail: 'x' },
    });
    await at('/banks/1/questions', '/banks/:bank/questions', page());
    expect(text()).toContain('The disk is full.');
  });
});
