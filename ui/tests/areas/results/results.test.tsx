import { cleanup, fireEvent, screen } from '@testing-library/react';
import { afterEach, describe, expect, it, vi } from 'vitest';
import PaperPage from '../../../src/areas/results/PaperPage';
import type { SittingRow } from '../../../src/areas/results/results';
import ResultsPage from '../../../src/areas/results/ResultsPage';
import { at, Served, settled } from '../../served';
import { pick, press, write } from '../../written';

afterEach(cleanup);

const row = (id: number, candidate: string, more: Partial<SittingRow> = {}): SittingRow => ({
  id,
  candidate,
  login: candidate.toLowerCase(),
  began: `2026-11-2${id}T09:00:00+00:00`,
  ended: `2026-11-2${id}T09:20:00+00:00`,
  seconds: 1200 + id,
  lastSign: null,
  answered: 10,
  how: 'handed in',
  earned: String(10 * id),
  max: '50',
  percent: String(20 * id),
  passed: id > 2,
  right: id,
  asked: 5,
  missed: [],
  bands: [],
  path: '',
  ...more,
});
const sitting = row(4, 'Dorn', { ended: null, how: null, earned: null, percent: null, passed: null, seconds: null, answered: 3 });
const rows = [sitting, row(3, 'Cole'), row(2, 'Amber', { missed: ['Wax'] }), row(1, 'Birch', { how: 'whole ran out' })];
const results = (more: object = {}) => ({
  edition: { id: 7, number: 2, title: 'Paper', blueprint: 3, bank: 1 },
  pass: { percent: '60' },
  tallies: [],
  questions: 10,
  sums: { sittings: 4, ended: 3, judged: 3, passed: 1, least: '20', middle: '40', most: '60' },
  fit: 4,
  sittings: rows,
  log: [],
  ...more,
});
const text = () => document.body.textContent;
const names = () => screen.getAllByRole('rowheader').map((th) => th.firstChild?.textContent);

async function open(told: object = results(), more: object = {}) {
  const served = new Served({ 'GET /editions/{id}/results': told, ...more });
  await at('/banks/1/blueprints/3/editions/7/results', '/banks/:bank/blueprints/:id/editions/:edition/results', <ResultsPage />);
  return served;
}

describe('results of an edition', () => {
  it('tell what each sitting came to, and the whole in the margin', async () => {
    await open();
    expect(names()).toEqual(['Dorn', 'Cole', 'Amber', 'Birch']);
    expect(text()).toContain('3 ended, 1 being sat now; 1 passed, 33 % (60 % pass)');
    expect(text()).toContain('from 20 to 60 %, the middle one 40 %');
    expect(text()).toContain('is sitting: 3 of 10 answered');
    expect(text()).toContain('below the minimum in Wax');
    expect(text()).toContain('time ran out');
    expect(screen.getByRole('link', { name: 'Cole' }).getAttribute('href')).toBe('/papers/3');
  });

  it.each([
    ['graded, with a pass mark', {}, ['candidate', 'began ↓', 'took', 'points', '%', 'passed']],
    ['graded, without one', { pass: null }, ['candidate', 'began ↓', 'took', 'points', '%']],
    [
      'a survey',
      { pass: null, sittings: [row(1, 'Birch', { earned: '0', max: '0', percent: null, passed: null })] },
      ['candidate', 'began ↓', 'took'],
    ],
  ])('have no column in which nothing can stand: %s', async (_, more, heads) => {
    await open(results(more));
    expect(screen.getAllByRole('columnheader').map((th) => th.textContent)).toEqual([...heads, 'what staff can do']);
    const wide = screen
      .getAllByRole('row')
      .map((tr) => [...tr.children].reduce((sum, cell) => sum + (cell as HTMLTableCellElement).colSpan, 0));
    expect(new Set(wide)).toEqual(new Set([heads.length + 1]));
  });

  it('are asked for as they are to be seen, and page by page', async () => {
    const told = results({ fit: 3, sittings: rows.slice(0, 2) });
    const { asked } = await open(told);
    const last = () => asked('GET', '/editions/{id}/results').at(-1)?.query;
    expect(last()).toEqual({ kind: 'all', name: '', by: 'began', down: '1', from: 0 });
    expect(screen.getAllByRole('status')[0]?.textContent).toBe('3 of 4');
    press('candidate');
    await settled();
    expect(last()).toMatchObject({ by: 'candidate', down: '0' });
    press('candidate');
    await settled();
    expect(last()).toMatchObject({ by: 'candidate', down: '1' });
    pick('Which sittings', 'not passed');
    await settled();
    expect(last()).toMatchObject({ kind: 'not passed', by: 'candidate' });
    expect(text()).toContain('2 of 3 are shown.');
    press('Show more of them');
    await settled();
    expect(last()).toMatchObject({ kind: 'not passed', from: 2 });
  });

  it('have what does not fit a phone beneath the name there', async () => {
    const amber = row(2, 'Amber', { missed: ['Wax'], bands: [{ tally: 'care', value: -2, band: 'low' }], path: '1, 3' });
    await open(results({ sittings: [amber], tallies: ['care'] }));
    const beneath = screen.getByRole('rowheader').querySelector('.block');
    expect(beneath?.textContent).toMatch(/^22 Nov, \d\d:00 · 20 min 2 s · not passed · below the minimum in Wax · care −2 low · 1, 3$/);
    const shown = screen.getAllByRole('columnheader').filter((th) => !th.classList.contains('max-sm:hidden'));
    expect(shown.map((th) => th.textContent)).toEqual(['candidate', 'points', '%', 'what staff can do']);
  });

  it('ask again only for the page in sight while somebody sits', async () => {
    vi.useFakeTimers({ toFake: ['setInterval', 'clearInterval'] });
    const pages = { fit: 4, sums: { sittings: 4, ended: 3, judged: 3, passed: 1, least: '20', middle: '40', most: '60' } };
    let answered = 3;
    const { asked } = await open(({ query }: { query: { from?: string } }) =>
      results(
        Number(query.from ?? 0) === 0 ? { ...pages, sittings: [{ ...sitting, answered }, rows[1]] } : { ...pages, sittings: rows.slice(2) },
      ),
    );
    press('Show more of them');
    await settled();
    const before = asked('GET', '/editions/{id}/results').length;
    answered = 9;
    vi.advanceTimersByTime(15_000);
    vi.useRealTimers();
    await settled();
    expect(
      asked('GET', '/editions/{id}/results')
        .slice(before)
        .map(({ query }) => Number(query?.from ?? 0)),
    ).toEqual([0]);
    expect(text()).toContain('is sitting: 9 of 10 answered');
    expect(names()).toEqual(['Dorn', 'Cole', 'Amber', 'Birch']);
  });

  it('show tallies with their bands, and the path, where there are some', async () => {
    const more = { bands: [{ tally: 'calm', value: -3, band: 'hasty' }], path: '2 → 5' };
    await open(results({ tallies: ['calm'], sittings: [row(1, 'Birch', more)] }));
    expect(screen.getAllByRole('columnheader').map((th) => th.textContent)).toContain('path');
    expect(text()).toContain('−3 hasty');
    expect(text()).toContain('2 → 5');
  });

  it('let staff act with a reason, and show the log', async () => {
    const log = [{ id: 1, sitting: 4, by: 'M. Orrell', at: '2026-11-26T09:00:00+00:00', words: 'gave 0.5 min', reason: 'Bell.' }];
    const served = await open(results(), { 'POST /sittings/{id}/staff': results({ log }) });
    const { asked } = served;
    press('What staff can do for Dorn');
    const give = () => screen.getByRole<HTMLButtonElement>('button', { name: 'Give the time' });
    expect(give().disabled).toBe(true);
    fireEvent.change(screen.getByLabelText('because'), { target: { value: 'Bell.' } });
    write('Minutes', 'x');
    expect(give().disabled).toBe(true);
    write('Minutes', '0,5');
    fireEvent.change(screen.getByLabelText('Which clock'), { target: { value: 'question' } });
    served.answers['GET /editions/{id}/results'] = results({ log });
    press('Give the time');
    await settled();
    expect(asked('POST', '/sittings/{id}/staff')[0]?.body).toEqual({ do: 'give time', reason: 'Bell.', seconds: 30, clock: 'question' });
    expect(text()).toContain('gave 0.5 min (sitting 4): “Bell.”');
  });

  it('offer another sitting, and deleting, once it has ended', async () => {
    const { asked } = await open(results(), { 'POST /sittings/{id}/staff': results() });
    press('What staff can do for Cole');
    fireEvent.click(screen.getByLabelText('delete'));
    expect(text()).toContain('goes for good');
    fireEvent.change(screen.getByLabelText('because'), { target: { value: 'She asked for it.' } });
    fireEvent.change(screen.getByLabelText('your password'), { target: { value: 'honeycomb' } });
    press('Delete this sitting');
    await settled();
    expect(asked('POST', '/sittings/{id}/staff')[0]?.body).toEqual({ do: 'delete', reason: 'She asked for it.', password: 'honeycomb' });
  });

  it('gather what was given to ungraded questions when that is wanted', async () => {
    const question = {
      question: 'q1',
      kind: 'rating',
      stem: 'How calm?',
      asked: 3,
      answered: 2,
      given: [{ words: '5', count: 2 }],
      others: 0,
    };
    const { asked } = await open(results(), { 'GET /editions/{id}/survey': { questions: [question] } });
    expect(asked('GET', '/editions/{id}/survey')).toHaveLength(0);
    press('gather what was given to ungraded questions');
    await settled();
    expect(text()).toMatch(/How calm\?\s*52/);
    expect(text()).toContain('answered by 2 of 3 candidates');
  });

  it('say so where nobody has begun', async () => {
    await open(results({ sittings: [], fit: 0, sums: { ...results().sums, sittings: 0 } }));
    expect(text()).toContain('Nobody has begun this edition yet.');
    expect(screen.queryByRole('table')).toBeNull();
  });
});

it('one paper shows every attempt with its working, time and hints', async () => {
  const mark = (attempt: number, earned: string, working: string[]) => ({
    round: 1,
    attempt,
    reason: 'checked',
    outcome: attempt === 1 ? 'wrong' : 'right',
    earned,
    max: '4',
    working,
    response: [{ before: null, text: attempt === 1 ? 'Moss' : 'Wax', typed: false }],
  });
  const question = {
    n: 1,
    objective: null,
    kind: 'one',
    stem: 'What seals a cell?',
    answers: { choices: ['Moss', 'Wax'], layout: null },
    given: { choose: [2] },
    atAnswers: [],
    response: [{ before: null, text: 'Wax', typed: false }],
    picture: null,
    attempts: 2,
    outcome: 'right',
    earned: '2',
    max: '4',
    working: ['right: 4', 'attempt 2: −2'],
    graded: true,
    said: [],
    key: [],
  };
  new Served({
    'GET /sittings/{id}/paper': {
      review: {
        id: 3, title: 'Paper', rehearsal: false, blueprint: 3, rung: 'marked paper with key and feedback', ranOut: false, byStaff: false, seconds: 90, closing: null,
        passed: true, total: { earned: '2', max: '4', percent: '50', right: 1, asked: 1, pass: null }, tallies: [], objectives: [], minimums: [], route: [], questions: [question], pages: {}, media: {},
      },
      candidate: { name: 'Cole', login: 'cole' },
      events: [{ at: '0', kind: 'started', n: null, given: [] }, { at: '64.2', kind: 'checked', n: 1, given: [{ before: null, text: 'Moss', typed: false }] }],
      edition: { id: 7, number: 2 },
      how: 'handed in',
      seed: 12,
      made: [{ n: 1, question: 5, name: 'cell', hints: 1, seconds: 75, marks: [mark(1, '0', ['wrong: 0']), mark(2, '2', ['right: 4', 'attempt 2: −2'])] }],
    },
    'GET /blueprints/{id}': { id: 3, bank: { id: 1, name: 'Hives' } },
  }); // prettier-ignore
  await at('/papers/3', '/papers/:id', <PaperPage account={{ id: 1, login: 'o', name: 'O', role: 'author' }} />);
  await settled();
  expect(text()).toContain('Cole · handed in after 1 min 30 s · form of seed 12');
  expect(screen.getByRole('radio', { checked: true }).textContent).toBe('Wax');
  expect(text()).toContain('cell, 1 min 15 s, 1 hint opened');
  expect(text()).toContain('attempt 1: Moss 0 of 4, wrong: 0');
  expect(text()).toContain('attempt 2: Wax 2 of 4, right: 4; attempt 2: −2');
  press('see what happened, event by event (2)');
  expect(screen.getAllByRole('listitem').map((li) => li.textContent)).toEqual(['0:00begun', '1:04checked, question 1Moss']);
  expect(screen.getByRole('link', { name: 'All results of edition 2' }).getAttribute('href')).toBe(
    '/banks/1/blueprints/3/editions/7/results',
  );
});
