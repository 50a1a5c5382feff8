import { cleanup, fireEvent, render, screen, waitFor } from '@testing-library/react';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { Editable } from '../../src/parts/fields/Editable';
import { goOnTyping } from '../../src/parts/fields/typing';

beforeEach(() => sessionStorage.clear());
afterEach(cleanup);

const page = (changed = vi.fn(), second = 'none') =>
  render(
    <>
      <Editable label="Minutes" value="30" onChange={(v) => void changed('first', v)} />
      <Editable label="Minutes" value={second} plain onChange={(v) => void changed('second', v)} />
    </>,
  );
const type = (words: string) => {
  fireEvent.click(screen.getByRole('button', { name: 'Minutes: none, change' }));
  fireEvent.change(screen.getByRole('textbox', { name: 'Minutes' }), { target: { value: words } });
};

describe('what is being typed over a value', () => {
  it('is gone on with at its place when the page is loaded again, and taken only when it is finished', async () => {
    page();
    type('12');
    cleanup();
    const changed = vi.fn();
    page(changed);
    goOnTyping();
    const field = await waitFor(() => screen.getByRole<HTMLInputElement>('textbox', { name: 'Minutes' }));
    expect(field.value).toBe('12');
    expect(screen.getByRole('button', { name: 'Minutes: 30, change' }), 'another with its label is as it was').toBeTruthy();
    expect(changed).not.toHaveBeenCalled();
    fireEvent.keyDown(field, { key: 'Enter' });
    expect(changed.mock.calls).toEqual([['second', '12']]);
    expect(sessionStorage.length).toBe(0);
  });

  it.each([
    ['left with Escape', () => fireEvent.keyDown(screen.getByRole('textbox'), { key: 'Escape' })],
    ['taken', () => fireEvent.keyDown(screen.getByRole('textbox'), { key: 'Enter' })],
  ])('is not kept once it was %s', (_, end) => {
    page();
    type('12');
    expect(sessionStorage.length).toBe(1);
    end();
    expect(sessionStorage.length).toBe(0);
  });

  it('is not put over what somebody else changed meanwhile', async () => {
    page();
    type('12');
    cleanup();
    page(vi.fn(), '45');
    goOnTyping();
    await new Promise((go) => setTimeout(go, 500));
    expect(screen.queryByRole('textbox')).toBeNull();
  });
});
