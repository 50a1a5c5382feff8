import { cleanup, fireEvent, screen, waitFor } from '@testing-library/react';
import { afterEach, describe, expect, it, vi } from 'vitest';
import { csvOf } from '../../../src/areas/blueprint/many/csv';
import { DealMany } from '../../../src/areas/blueprint/many/DealMany';
import { Simulated } from '../../../src/areas/blueprint/many/Simulated';
import { Guessing } from '../../../src/areas/blueprint/margin/Guessing';
import { blueprintOf, documentOf } from '../../planned';
import { at, Served, settled } from '../../served';
import { key, press, typeOver, write } from '../../written';

afterEach(cleanup);

const text = () => document.body.textContent;
const result = (more: object = {}) => ({
  forms: 1000,
  seed: 1,
  pool: 12,
  unseen: 2,
  exposure: [
    { percent: 40, questions: 7 },
    { percent: 43, questions: 3 },
  ],
  steps: [{ step: 2, take: 3, fit: 7, least: 400, most: 430 }],
  worths: [{ points: '50', forms: 1000 }],
  asked: [
    { what: 'objective', word: 'Hive', least: 3, most: 3, mean: '3' },
    { what: 'difficulty', word: 'easy', least: 0, most: 2, mean: '0.4272' },
  ],
  overlap: {
    mean: '2.256',
    pairs: [
      { shared: 1, pairs: 300 },
      { shared: 4, pairs: 699 },
    ],
  },
  questions: [{ id: 7, name: 'trim', stem: 'How is it trimmed?', objective: 'Hive', kind: 'one', seen: 430 }],
  ...more,
});
const job = (state: string, more: object = {}) => ({
  id: 5,
  task: 'deal many',
  state,
  done: 400,
  total: 1000,
  stopAsked: false,
  result: null,
  failure: null,
  ...more,
});

describe('many forms', () => {
  it('are dealt in the background from a seed, stopped, and told as far as they came', async () => {
    const states = [job('running'), job('stopped', { result: result({ forms: 400 }) })];
    let n = 0;
    const { asked } = new Served({
      'POST /blueprints/{id}/simulations': job('waiting'),
      'GET /jobs/{id}': () => states[Math.min(n++, 1)],
      'POST /jobs/{id}/stop': job('running', { stopAsked: true }),
    });
    const closed = vi.fn();
    await at(
      '/',
      '/',
      <DealMany
        blueprint={blueprintOf({
          document: documentOf([
            { id: 'q1', question: 'trim' },
            { id: 'd1', draw: { take: 3, pool: {} } },
          ]),
        })}
        onClose={closed}
      />,
    );
    await settled();
    expect(asked('POST', '/blueprints/{id}/simulations')[0]?.body, 'pressed for once, it deals').toEqual({ forms: 10_000, seed: 1 });
    press('Stop');
    await waitFor(() => expect(text()).toContain('Stopped; 400 forms dealt'));
    fireEvent.click(screen.getByRole('button', { name: /^How many forms/ }));
    write('How many forms', '0');
    key('How many forms', 'Enter');
    expect(screen.getByRole('alert').textContent).toBe('from 1 to 100000');
    write('How many forms', '1000');
    key('How many forms', 'Enter');
    typeOver('The first seed', '7');
    press('deal them again');
    await settled();
    expect(asked('POST', '/blueprints/{id}/simulations')[1]?.body).toEqual({ forms: 1000, seed: 7 });
    await waitFor(() => expect(text()).toContain('Stopped; 400 forms dealt, from 12 questions. 2 of them stand in no form.'), {
      timeout: 3000,
    });
    press('put it away');
    expect(closed).toHaveBeenCalled();
  });

  it('that are stopped before they began are told so', async () => {
    new Served({ 'POST /blueprints/{id}/simulations': job('waiting'), 'GET /jobs/{id}': job('stopped') });
    await at('/', '/', <DealMany blueprint={blueprintOf()} onClose={vi.fn()} />);
    await waitFor(() => expect(text()).toContain('Stopped before it began.'));
  });

  it('say why none can be dealt', async () => {
    new Served({
      'POST /blueprints/{id}/simulations': {
        refuse: 409,
        detail: 'Draw 1 asks for 9 questions; only 7 fit it.',
        type: 'urn:zetema:problem:infeasible',
      },
    });
    await at('/', '/', <DealMany blueprint={blueprintOf()} onClose={vi.fn()} />);
    await settled();
    expect(screen.getByRole('alert').textContent).toContain('only 7 fit it');
  });
});

describe('what came of them', () => {
  const shown = (more: object = {}) =>
    at(
      '/',
      '/',
      <Simulated
        blueprint={blueprintOf({
          document: documentOf([
            { id: 'p1', page: 'a' },
            { id: 'q1', question: 'trim' },
            { id: 'd1', draw: { take: 3, pool: {} } },
          ]),
        })}
        result={result(more) as never}
      />,
    );

  it('is drawn, with the numbers behind it, gaps included', async () => {
    await shown();
    expect(screen.getAllByRole('img').map((plot) => plot.getAttribute('aria-label')?.split('The numbers')[0]?.trim())).toEqual([
      'Worth of a form: 50 points, every one',
      'How often questions are seen: by 40 to 43 % of candidates',
      'What two forms share: 2.26 on average',
    ]);
    const rows = (table: number) =>
      [...(screen.getAllByRole('table', { hidden: true })[table]?.querySelectorAll('tbody tr') ?? [])].map((row) => row.textContent);
    expect(rows(1)).toEqual(['407', '410', '420', '433']);
    expect(rows(2)).toEqual(['1300', '20', '30', '4699']);
  });

  it('tells the fewest and the most of each, and each draw by its step', async () => {
    await shown({
      worths: [
        { points: '48', forms: 400 },
        { points: '52', forms: 600 },
      ],
    });
    expect(text()).toContain('48 to 52 points');
    expect(text()).toContain('Hive objective333');
    expect(text()).toContain('easy difficulty020.43');
    expect(text()).toContain('33 of 740 %43 %');
    expect(screen.getByRole('link', { name: 'How is it trimmed? trim', hidden: true }).getAttribute('href')).toBe('/banks/1/questions/7');
  });

  it('is a file that a spreadsheet runs nothing of', () => {
    const file = decodeURIComponent(
      csvOf([
        ['a', 'b'],
        ['=1+1', 'x, "y"'],
        ['-2', '@now'],
      ])
        .split(',')
        .slice(1)
        .join(','),
    );
    expect(file).toBe('a,b\r\n\'=1+1,"x, ""y"""\r\n-2,\'@now');
  });
});

describe('guessing', () => {
  it.each([
    [{ least: '2140', most: '2140', leastPercent: '0', mostPercent: '0', why: null }, 'By guessing alone 1 in 2,140 would pass.'],
    [{ least: '2', most: '2', leastPercent: '67', mostPercent: '67', why: null }, 'By guessing alone 67 % would pass.'],
    [{ least: '0', most: '0', why: null }, 'By guessing alone nobody would pass.'],
    [{ least: '900', most: '300', why: null }, 'By guessing alone between 1 in 900 and 1 in 300 would pass.'],
    [{ least: '0', most: '300', why: null }, 'By guessing alone between nobody and 1 in 300 would pass.'],
    [{ least: null, most: null, why: 'the way divides' }, ''],
  ])('%#', async (told, words) => {
    new Served({ 'GET /blueprints/{id}/guessing': told });
    await at('/', '/', <Guessing blueprint={3} version={1} />);
    await settled();
    expect(text()).toBe(words);
  });
});
