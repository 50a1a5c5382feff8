import { act, cleanup, fireEvent, render, renderHook, screen } from '@testing-library/react';
import { useState } from 'react';
import { MemoryRouter } from 'react-router';
import { afterEach, describe, expect, it } from 'vitest';
import type { Schema } from '../../../src/api/client';
import { type Column, useColumns } from '../../../src/areas/bank/list/columns';
import { QuestionRows } from '../../../src/areas/bank/list/QuestionRows';

afterEach(() => {
  cleanup();
  localStorage.clear();
});

const question: Schema['QuestionRow'] = {
  id: 7,
  name: 'drone sting',
  kind: 'claim',
  status: 'draft',
  excerpt: 'A drone has no sting.',
  objective: 'Colony life > Castes',
  revision: 3,
  worth: '5',
  dealt: true,
  unfinished: false,
  pattern: false,
  hit: null,
  more: { difficulty: 'hard', tags: ['exam', 'spring'], savedAt: '2026-05-03T10:00:00+00:00', savedBy: 'M. Orrell' },
};

function row(shown: Column[], each = new Map<number, Schema['ManyPreview']['each'][number]>()) {
  // A list without a window around it draws no row by itself.
  Object.defineProperty(window, 'innerHeight', { value: 800, configurable: true });
  render(
    <MemoryRouter>
      <QuestionRows questions={[question]} bank={1} chosen={null} each={each} columns={new Set(shown)} onOpen={() => {}} onEnd={() => {}} />
    </MemoryRouter>,
  );
  return document.body.textContent;
}

describe('the columns of the list', () => {
  it('are the usual ones until somebody chooses, and stay chosen', () => {
    const { result } = renderHook(useColumns);
    expect([...result.current.shown]).toEqual(['name', 'kind', 'points', 'objective', 'status']);
    expect(result.current.needsMore).toBe(false);
    act(() => result.current.toggle('tags'));
    act(() => result.current.toggle('kind'));
    expect(result.current.needsMore).toBe(true);
    expect([...renderHook(useColumns).result.current.shown]).toEqual(['name', 'points', 'objective', 'status', 'tags']);
  });

  it('leave out what was kept by a name that there is no more', () => {
    localStorage.setItem('zetema:columns', 'name colour');
    expect([...renderHook(useColumns).result.current.shown]).toEqual(['name']);
  });

  it('show what is chosen and nothing else', () => {
    const usual = row(['name', 'kind', 'points', 'objective', 'status']);
    expect(usual).toContain('A drone has no sting. drone sting');
    expect(usual).toContain('claim5Castesdraft');
    expect(usual).not.toContain('hard');
    cleanup();
    const others = row(['difficulty', 'tags', 'revision', 'by']);
    expect(others).toContain('hard · exam, spring · revision 3 · M. Orrell');
    expect(others).not.toContain('claim');
    expect(others).not.toContain('drone sting');
  });

  it('show what a change would do, whatever is chosen', () => {
    const change = { what: 'attempts', from: '2', to: '1, as the bank has it' };
    row([], new Map([[7, { id: 7, changes: [change], stays: [] }]]));
    expect(screen.getByText('attempts: 2 → 1')).toBeTruthy();
    cleanup();
    row([], new Map([[7, { id: 7, changes: [{ ...change, what: 'points', from: '5', to: '9, as the bank has it' }], stays: [] }]]));
    expect(document.body.textContent).toContain('5 → 9');
  });
});

describe('the list by keys', () => {
  it('moves the question whose row has the focus, and the focus stays with it', () => {
    Object.defineProperty(window, 'innerHeight', { value: 800, configurable: true });
    const three = ['first', 'second', 'third'].map((excerpt, i) => ({ ...question, id: i + 1, name: null, excerpt }));
    function List() {
      const [list, set] = useState(three);
      const move = (i: number, by: number) => {
        const one = list[i];
        if (one) set(list.toSpliced(i, 1).toSpliced(i + by, 0, one));
      };
      const none = () => {};
      return (
        <QuestionRows
          questions={list}
          bank={1}
          chosen={null}
          each={new Map()}
          columns={new Set()}
          onMove={move}
          onOpen={none}
          onEnd={none}
        />
      );
    }
    render(
      <MemoryRouter>
        <List />
      </MemoryRouter>,
    );
    const links = () => screen.getAllByRole('link');
    act(() => links()[1]?.focus());
    fireEvent.keyDown(document.activeElement ?? document.body, { key: 'ArrowDown', altKey: true });
    expect(links().map((link) => link.textContent.trim())).toEqual(['first', 'third', 'second']);
    expect(document.activeElement?.textContent.trim()).toBe('second');
    fireEvent.keyDown(document.activeElement ?? document.body, { key: 'ArrowUp', altKey: true });
    expect(links().map((link) => link.textContent.trim())).toEqual(['first', 'second', 'third']);
  });
});
