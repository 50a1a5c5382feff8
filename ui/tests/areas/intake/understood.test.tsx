import { cleanup, fireEvent, render, screen } from '@testing-library/react';
import { MemoryRouter } from 'react-router';
import { afterEach, describe, expect, it, vi } from 'vitest';
import type { Schema } from '../../../src/api/client';
import { chosenOf } from '../../../src/areas/intake/brought';
import { Summary } from '../../../src/areas/intake/Summary';
import { UnderstoodMargin } from '../../../src/areas/intake/UnderstoodMargin';
import { field } from '../../written';

afterEach(cleanup);

describe('what an intake understood', () => {
  const question = (more: object = {}) => ({
    kind: 'one',
    name: null,
    objective: 'Colony life > Castes',
    stem: 'Who lays?',
    choices: [],
    answers: [],
    settings: {},
    status: 'draft',
    ...more,
  });
  const entry = (fromLine: number, of: object | null, more: object = {}) => ({
    fromLine,
    toLine: fromLine + 3,
    problems: [],
    known: null,
    why: '',
    question: of,
    ...more,
  });
  const known = (more: object = {}) => ({
    id: 12,
    by: 'stem',
    isSame: false,
    difference: [
      { text: 'yes: a', change: 'taken out' },
      { text: 'yes: b', change: 'added' },
    ],
    ...more,
  });
  const choices = [true, false, false].map((isKey, i) => ({ text: ['true', 'false', 'neither'][i] ?? '', key: isKey, weight: null }));
  const decided = vi.fn();
  const show = (questions: object[], problems: object[] = [], again: Record<number, 'revise'> = {}) => {
    const left = vi.fn();
    render(
      <MemoryRouter>
        <UnderstoodMargin
          understood={
            {
              bank: null,
              bankSettings: [],
              pages: [],
              aside: [{ line: 30, text: 'Page 3' }],
              problems,
              questions,
            } as unknown as Schema['Understood']
          }
          bank={1}
          left={new Set([9])}
          again={again}
          onLeave={left}
          onDecide={decided}
          level={20}
        />
      </MemoryRouter>,
    );
    return left;
  };
  const entries = () => [...document.querySelectorAll<HTMLElement>('.absolute')].map((div) => [div.style.top, div.textContent]);

  it('stands level with its line, and moves down where two would meet', () => {
    show([
      entry(1, question({ choices })),
      entry(9, question({ kind: 'claim', choices: choices.slice(0, 2), settings: { points: '5' }, status: 'cleared' })),
      entry(10, question({ kind: 'text', answers: ['varroa', 'mite'] })),
    ]);
    expect(entries()).toEqual([
      ['0px', 'one3 answers, key 11 point · Castes'],
      ['160px', 'claimtrue5 points · Castes · cleared'],
      ['202px', 'textvarroa or mite1 point · Castes'],
      ['580px', 'stands aside'],
    ]);
  });

  it('tells problems at their line, weights, and what the bank has already', () => {
    show(
      [
        entry(4, null, { problems: [{ line: 5, column: 1, message: 'no such word' }] }),
        entry(9, question({ choices: choices.map((c, i) => ({ ...c, weight: String(i) })), objective: '' }), {
          why: 'key B: marked',
          known: known(),
        }),
      ],
      [{ line: 1, column: 1, message: 'belongs to nothing' }],
    );
    expect(entries().map(([, words]) => words)).toEqual([
      'line 1: belongs to nothing',
      'line 5: no such word',
      'oneweighed 0/1/2points by weight · no objectivekey B: markedThe bank has one with this stem: take it as anotheryes: ayes: b',
      'stands aside',
    ]);
    expect(screen.getByRole('link', { name: 'one with this stem' }).getAttribute('href')).toBe('/banks/1/questions/12');
  });

  it('is left out and taken in one by one', () => {
    const left = show([entry(1, question()), entry(9, question())]);
    expect([field('Take in the question at line 1').checked, field('Take in the question at line 9').checked]).toEqual([true, false]);
    fireEvent.click(field('Take in the question at line 1'));
    expect(left).toHaveBeenCalledWith(1);
  });

  it('one that the bank has by its name is left until somebody says what becomes of it', () => {
    show([
      entry(1, question(), { known: known({ by: 'name' }) }),
      entry(9, question(), { known: known({ isSame: true, difference: [] }) }),
    ]);
    expect(document.body.textContent).toContain('The bank has one of this name: leave this one');
    expect(document.body.textContent).toContain('The bank has one with this stem, the same: leave this one');
    const first = screen.getAllByRole('button', { name: /^What becomes of it/ })[0];
    if (!first) throw new Error('it can be chosen');
    fireEvent.keyDown(first, { key: 'Enter' });
    fireEvent.click(screen.getByRole('menuitemradio', { name: 'a new revision of it' }));
    expect(decided).toHaveBeenCalledWith(1, 'revise');
    cleanup();
    show([entry(1, question(), { known: known({ by: 'name' }) })], [], { 1: 'revise' });
    expect(document.body.textContent).toContain('a new revision of it');
  });
});

it('what was decided goes with what is taken in', () => {
  const q = (fromLine: number, known: object | null) => ({ fromLine, known }) as Schema['UnderstoodQuestion'];
  const questions = [q(1, null), q(5, { by: 'name' }), q(9, { by: 'stem' })];
  expect(chosenOf(questions, { 5: 'revise' })).toEqual({ lines: [1, 5, 9], again: { 5: 'revise', 9: 'another' } });
});

function summary(all: () => void, more: object = {}) {
  const of = (isSame: boolean) => ({ known: { isSame }, problems: [] }) as unknown as Schema['UnderstoodQuestion'];
  render(
    <Summary
      decided={false}
      understood={{ questions: [], problems: [], bankSettings: [], pages: [], ...more } as unknown as Schema['Understood']}
      ready={0}
      known={[of(true), of(false), of(false)]}
      onDecideAll={all}
      stale={false}
      pending={false}
      error={null}
      onTakeIn={vi.fn()}
    />,
  );
}

it('what the bank wrote itself comes back as new revisions first', () => {
  const all = vi.fn();
  summary(all, { isOwn: true });
  fireEvent.click(screen.getByRole('button', { name: 'Make new revisions of the 2 that differ' }));
  expect(all.mock.calls).toEqual([['revise']]);
});

it('all that the bank has are decided at once', () => {
  const all = vi.fn();
  summary(all);
  expect(document.body.textContent).not.toContain('This bank wrote');
  expect(document.body.textContent).toContain('3 questions the bank has, 1 the same');
  for (const words of ['new revisions of all that differ', 'others', 'leave all'])
    fireEvent.click(screen.getByRole('button', { name: words }));
  expect(all.mock.calls).toEqual([['revise'], ['another'], ['leave']]);
});
