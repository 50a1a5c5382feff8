import { cleanup, fireEvent, screen } from '@testing-library/react';
import { afterEach, describe, expect, it, vi } from 'vitest';
import type { Schema } from '../../src/api/client';
import QuestionsPage from '../../src/areas/bank/list/QuestionsPage';
import BanksPage from '../../src/areas/banks/BanksPage';
import { LogInForm } from '../../src/areas/people/LogIn';
import PeoplePage from '../../src/areas/people/PeoplePage';
import { at, Served, settled } from '../served';
import { field, pick, press, write } from '../written';

const author = { id: 1, login: 'orrell', name: 'M. Orrell', role: 'author' } as Schema['Account'];
const reader = { ...author, id: 2, role: 'reviewer' } as Schema['Account'];
const keeper = { ...author, id: 6, role: 'administrator' } as Schema['Account'];
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

describe('logging in', () => {
  it('waits as long as the server says, and counts it down', async () => {
    const { asked } = new Served({ 'POST /log-in': { refuse: 429, detail: 'Too many wrong passwords.' } });
    await at('/', '/', <LogInForm />);
    fireEvent.change(field('Name'), { target: { value: ' orrell ' } });
    fireEvent.change(field('Password'), { target: { value: 'wrong' } });
    press('Log in');
    await settled();
    expect([asked('POST', '/log-in')[0]?.body, screen.getByRole('alert').textContent]).toEqual([
      { login: 'orrell', password: 'wrong' },
      'Too many wrong passwords.',
    ]);
  });

  it('over a page is for whose page it is, and nobody else', async () => {
    const { calls } = new Served({ 'POST /log-in': { account: author } });
    const done = vi.fn();
    await at('/', '/', <LogInForm only={author} onDone={done} />);
    fireEvent.change(field('Name'), { target: { value: 'penhale' } });
    fireEvent.change(field('Password'), { target: { value: 'honeycomb' } });
    press('Log in');
    await settled();
    expect([calls.length, screen.getByRole('alert').textContent]).toEqual([0, expect.stringContaining('This page is M. Orrell’s.')]);
    fireEvent.change(field('Name'), { target: { value: 'orrell' } });
    press('Log in');
    await settled();
    expect([calls.length, done.mock.calls.length]).toEqual([1, 1]);
  });

  it('of somebody who has to wait is let go on by whoever keeps the accounts', async () => {
    const slowed = [{ id: 3, login: 'wren', address: '10.0.0.9', failures: 7 }];
    const { asked } = new Served({ 'GET /slowed-log-ins': { slowed }, 'DELETE /slowed-log-ins/{id}': { slowed: [] } });
    await at('/people', '/people', <PeoplePage account={keeper} />);
    press('Let wren go on');
    await settled();
    expect([asked('DELETE', '/slowed-log-ins/{id}').length, text().includes('Nobody has to wait now.')]).toEqual([1, true]);
  });
});
