import { cleanup, fireEvent, render, screen } from '@testing-library/react';
import { useState } from 'react';
import { afterEach, describe, expect, it, vi } from 'vitest';
import type { Schema } from '../../../src/api/client';
import { isOver, JobProgress, useJob } from '../../../src/areas/background/JobProgress';
import { QuotaBoard } from '../../../src/areas/blueprint/QuotaBoard';
import type { Blueprint, Document } from '../../../src/areas/blueprint/document';
import { at, Served, settled } from '../../served';
import { field, key, press, write } from '../../written';

const objective = (id: number, path: string) => ({ id, path, name: path.split(' > ').at(-1) ?? '', depth: path.split(' > ').length - 1 });
const cell = (cleared: number) => ({ cleared, draft: 0, total: cleared });
const blueprint = (proof: object = {}) =>
  ({
    board: {
      kinds: ['one', 'claim'],
      rows: [
        { objective: objective(1, 'Colony life'), cells: { one: cell(4), claim: cell(1) } },
        { objective: objective(2, 'Colony life > Castes'), cells: { one: cell(3) } },
        { objective: objective(3, 'Health'), cells: { one: cell(2) } },
      ],
    },
    proof: { draws: [], shortage: null, questions: 0, ...proof },
  }) as unknown as Blueprint;
const draw = (path: string, kind: string, take: number, n = 1) => ({
  id: `d${n}`,
  draw: { take, pool: { objective: path, kinds: [kind] } },
});

function planned(steps: ReturnType<typeof draw>[], show: (document: Document, onChange: (document: Document) => void) => React.ReactNode) {
  let now: Document = { v: 2, title: 'T', sections: [{ id: 'all', steps }] };
  function Page() {
    const [document, setDocument] = useState(now);
    return show(document, (next) => {
      now = next;
      setDocument(next);
    });
  }
  render(<Page />);
  return { steps: () => now.sections[0]?.steps as ReturnType<typeof draw>[] };
}

afterEach(() => {
  cleanup();
  vi.restoreAllMocks();
});

describe('the quota board', () => {
  const board = (steps: ReturnType<typeof draw>[] = []) =>
    planned(steps, (document, onChange) => <QuotaBoard blueprint={blueprint()} document={document} onChange={onChange} readOnly={false} />);
  const type = (label: string, value: string) => {
    write(label, value);
    fireEvent.blur(field(label));
  };

  it('makes a draw of a number, with what lies below counted, and adds up at the edges', () => {
    const { steps } = board();
    type('Colony life, one: take, of 7', '3');
    type('Health, one: take, of 2', '2');
    expect(steps()).toEqual([draw('Colony life', 'one', 3), draw('Health', 'one', 2, 2)]);
    const sums = [...document.querySelectorAll('tr.sum td')].map((td) => td.textContent);
    expect(sums).toEqual(['5', '', '5']);
  });

  it('tells what cannot be taken at its place, and takes nothing of it', () => {
    const { steps } = board([draw('Health', 'one', 1)]);
    type('Health, one: take, of 2', 'two');
    expect([steps()[0]?.draw.take, screen.getByRole('alert').textContent]).toEqual([1, 'a whole number from 0 to 500']);
    key('Health, one: take, of 2', 'Escape');
    expect([field('Health, one: take, of 2').value, screen.queryByRole('alert')]).toEqual(['1', null]);
    type('Health, one: take, of 2', '');
    expect(steps()).toEqual([]);
  });

  it('marks a cell that asks for all there is, or more', () => {
    board([draw('Health', 'one', 3), draw('Colony life', 'one', 1, 2), draw('Colony life', 'claim', 1, 3)]);
    const tint = (label: string) => field(label).closest('td');
    expect(tint('Health, one: take, of 2')?.className).toContain('thin');
    expect(tint('Health, one: take, of 2')?.title).toBe('asks for 3, 2 fit');
    expect(tint('Colony life, one: take, of 7')?.className).toContain('covered');
    expect(tint('Colony life, claim: take, of 1')?.className).toContain('thin');
  });
});

describe('work in the background', () => {
  const job = (state: Schema['Job']['state'], more: object = {}) =>
    ({ id: 5, task: 'take in', state, done: 20, total: 20_000, stopAsked: false, result: null, failure: null, ...more }) as Schema['Job'];

  it('is asked after until it is over, and its end is told once', async () => {
    const states = ['running', 'running', 'done'] as const;
    let n = 0;
    const { asked } = new Served({ 'GET /jobs/{id}': () => job(states[Math.min(n++, 2)] ?? 'done') });
    const ended = vi.fn();
    function Page() {
      const now = useJob(job('waiting'), ended);
      return now && <JobProgress job={now} doing="taking in" />;
    }
    await at('/', '/', <Page />);
    await settled(2300);
    expect([ended.mock.calls.length, ended.mock.calls[0]?.[0]]).toMatchObject([1, { state: 'done' }]);
    const many = asked('GET', '/jobs/{id}').length;
    await settled(900);
    expect(asked('GET', '/jobs/{id}')).toHaveLength(many);
  });

  it('tells how far it is, and is stopped', async () => {
    const { asked } = new Served({ 'POST /jobs/{id}/stop': job('running', { stopAsked: true }) });
    await at('/', '/', <JobProgress job={job('running')} doing="taking in" />);
    expect(document.body.textContent).toContain('taking in: 20 of 20,000');
    press('Stop');
    await settled();
    expect([asked('POST', '/jobs/{id}/stop').length, screen.getByRole<HTMLButtonElement>('button').textContent]).toEqual([
      1,
      'stops in a moment',
    ]);
  });

  it.each([
    ['waiting', false, 'begins in a moment'],
    ['failed', true, 'The disk is full.'],
    ['done', true, '20 of 20,000'],
    ['stopped', true, '20 of 20,000'],
  ] as const)('%s', async (state, over, words) => {
    new Served({});
    await at('/', '/', <JobProgress job={job(state, { failure: 'The disk is full.' })} doing="taking in" />);
    expect([isOver(job(state)), document.body.textContent.includes(words), screen.queryByRole('button') === null]).toEqual([
      over,
      true,
      over,
    ]);
  });
});
