import { cleanup, fireEvent, render, screen } from '@testing-library/react';
import { afterEach, describe, expect, it, test, vi } from 'vitest';
import type { Schema } from '../../../src/api/client';
import { Arrange } from '../../../src/areas/bank/list/order/Arrange';
import { type Arranging, placeOf } from '../../../src/areas/bank/list/order/useArranging';

afterEach(cleanup);

const row = (id: number, objective: string | null) => ({ id, objective }) as Schema['QuestionRow'];
const list = [row(1, 'A'), row(2, 'A'), row(3, 'A'), row(4, 'B'), row(5, 'B'), row(6, null)];

test.each<[string, number[], number, number | null | undefined]>([
  ['one up', [2], -1, 1],
  ['the first up', [1], -1, undefined],
  ['one down, before the one after the next', [1], 1, 3],
  ['one down to the end of its objective', [2], 1, null],
  ['the last of its objective down', [3], 1, undefined],
  ['the first of the next objective up', [4], -1, undefined],
  ['two up', [2, 3], -1, 1],
  ['some of two objectives', [3, 4], 1, undefined],
  ['one that is not loaded', [9], 1, undefined],
])('%s', (_, moved, by, before) => expect(placeOf(list, moved, by)).toBe(before));

describe('putting questions in order', () => {
  function arrange(ids: number[], part: object = {}) {
    const put = vi.fn<(moved: number[], before: number | null | undefined) => void>();
    const arranging = {
      change: { isPending: false, error: null },
      undo: { isPending: false, error: null },
      last: undefined,
      put,
      undoLast: vi.fn(),
      ...part,
    };
    const chosen = {
      has: (id: number) => ids.includes(id),
      count: ids.length,
      toggle: vi.fn(),
      all: vi.fn(),
      none: vi.fn(),
      body: () => ({ ids }),
    };
    render(<Arrange questions={list} chosen={chosen} arranging={arranging as unknown as Arranging} />);
    return put;
  }

  it('moves what is chosen to the top, up, down or to the end of its objective', () => {
    const put = arrange([2]);
    for (const step of ['to the top', 'up', 'down', 'to the end']) fireEvent.click(screen.getByText(step));
    expect(put.mock.calls).toEqual([
      [[2], 1],
      [[2], 1],
      [[2], null],
      [[2], null],
    ]);
  });

  it('offers no step where there is none', () => {
    arrange([1]);
    expect(screen.getByText('up')).toHaveProperty('disabled', true);
    expect(screen.getByText('to the top')).toHaveProperty('disabled', true);
    expect(screen.getByText('to the end')).toHaveProperty('disabled', false);
    expect(screen.getByText('down')).toHaveProperty('disabled', false);
  });

  it.each([[[3, 4]], [[6]], [[]]])('offers nothing for %o, which stand at no one objective', (ids) => {
    arrange(ids);
    expect(screen.queryByText('to the top')).toBeNull();
  });

  it('tells what was done, and the way back', () => {
    arrange([], { last: { words: 'put questions of “A” in order' } });
    expect(screen.getByRole('status').textContent).toContain('in order');
    expect(screen.getByText('undo')).toBeTruthy();
  });
});
