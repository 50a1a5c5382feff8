import { act, cleanup, fireEvent, render, screen } from '@testing-library/react';
import { afterEach, describe, expect, it, vi } from 'vitest';
import { ObjectiveForm } from '../../../src/areas/bank/board/ObjectiveForm';
import type { ObjectiveChanges } from '../../../src/areas/bank/board/useObjectiveChanges';

afterEach(cleanup);

describe('adding objectives one after the other', () => {
  function form() {
    const mutate = vi.fn<(body: object, then: { onError: () => void }) => void>();
    const changes = { change: { mutate, isPending: false, error: null }, last: undefined } as unknown as ObjectiveChanges;
    render(<ObjectiveForm objectives={[]} objective={null} questions={0} changes={changes} doing="add" onDone={vi.fn()} />);
    return mutate;
  }
  const field = () => screen.getByRole<HTMLInputElement>('textbox');
  const add = (name: string) => {
    fireEvent.change(field(), { target: { value: name } });
    fireEvent.click(screen.getByText('Add it'));
  };

  it('the next name can be typed before the one before it is answered', () => {
    const mutate = form();
    add('Candles');
    expect(field().value).toBe('');
    add('Mead');
    expect(mutate.mock.calls.map(([body]) => body)).toEqual([
      { do: 'add', parent: null, name: 'Candles' },
      { do: 'add', parent: null, name: 'Mead' },
    ]);
  });

  it('a name that is refused comes back, unless another one is being typed', () => {
    const mutate = form();
    add('Candles');
    act(() => mutate.mock.calls[0]?.[1].onError());
    expect(field().value).toBe('Candles');
    add('Wax');
    fireEvent.change(field(), { target: { value: 'Mea' } });
    act(() => mutate.mock.calls[1]?.[1].onError());
    expect(field().value).toBe('Mea');
  });
});
