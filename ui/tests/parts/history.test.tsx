import { act, cleanup, renderHook } from '@testing-library/react';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { beginStep, useHistory, useUndoKeys } from '../../src/parts/hooks/useHistory';

/** A text that is typed into, with its history. */
function written() {
  let text = '';
  const { result } = renderHook(() => useHistory<string>());
  const type = (next: string) => {
    act(() => result.current.remember(text));
    text = next;
  };
  const go = (way: 'undo' | 'redo') => {
    act(() => {
      text = result.current.step(way, text) ?? text;
    });
    return text;
  };
  return { type, go, can: () => result.current.can, text: () => text };
}

beforeEach(() => {
  vi.useFakeTimers();
});
afterEach(() => {
  cleanup();
  vi.useRealTimers();
});

describe('what was written', () => {
  it('is taken back as it was typed: without a pause one step, after a pause another', () => {
    const { type, go } = written();
    for (const text of ['b', 'be', 'bee']) type(text);
    vi.advanceTimersByTime(1000);
    for (const text of ['bees', 'bees f', 'bees fly']) type(text);
    expect([go('undo'), go('undo'), go('undo')]).toEqual(['bee', '', '']);
    expect([go('redo'), go('redo'), go('redo')]).toEqual(['bee', 'bees fly', 'bees fly']);
  });

  it('begins a step of its own in another field, and where it is told to', () => {
    const { type, go } = written();
    document.body.innerHTML = '<input aria-label="Stem"><input aria-label="Answer 1">';
    const [stem, answer] = document.querySelectorAll('input');
    stem?.focus();
    type('a stem');
    answer?.focus();
    type('a stem and an answer');
    act(() => {
      beginStep();
    });
    type('a stem and two answers');
    expect([go('undo'), go('undo'), go('undo')]).toEqual(['a stem and an answer', 'a stem', '']);
    document.body.innerHTML = '';
  });

  it('cannot be brought back any more once something else was written', () => {
    const { type, go, can } = written();
    type('one');
    expect(can()).toEqual({ undo: true, redo: false });
    go('undo');
    expect(can()).toEqual({ undo: false, redo: true });
    type('another');
    expect(can()).toEqual({ undo: true, redo: false });
    expect(go('redo')).toBe('another');
  });

  it('remembers two hundred steps and no more', () => {
    const { type, go, text } = written();
    for (let n = 1; n <= 250; n++) {
      vi.advanceTimersByTime(1000);
      type(String(n));
    }
    for (let n = 0; n < 300; n++) go('undo');
    expect(Number(text())).toBeGreaterThanOrEqual(48);
    expect(Number(text())).toBeLessThanOrEqual(50);
  });
});

describe('the keys of undo', () => {
  const press = (target: HTMLElement, key: string, more: object = {}) => {
    const event = new KeyboardEvent('keydown', { key, ctrlKey: true, bubbles: true, cancelable: true, ...more });
    target.dispatchEvent(event);
    return event.defaultPrevented;
  };

  it.each([
    ['z', {}, 'undo'],
    ['Z', { shiftKey: true }, 'redo'],
    ['y', {}, 'redo'],
    ['z', { ctrlKey: false, metaKey: true }, 'undo'],
  ])('%s with %o is %s', (key, more, expected) => {
    const done: string[] = [];
    renderHook(() =>
      useUndoKeys(
        () => done.push('undo'),
        () => done.push('redo'),
      ),
    );
    expect([press(document.body, key, more), done]).toEqual([true, [expected]]);
  });

  it('leave a short field alone, but not one that is part of the draft', () => {
    const done: string[] = [];
    renderHook(() =>
      useUndoKeys(
        () => done.push('undo'),
        () => done.push('redo'),
      ),
    );
    document.body.innerHTML = '<input id="value"><input id="draft" data-draft><textarea></textarea>';
    const fields = [...document.body.children] as HTMLElement[];
    expect(fields.map((field) => press(field, 'z'))).toEqual([false, true, true]);
    expect(press(document.body, 'z', { altKey: true })).toBe(false);
    document.body.innerHTML = '';
  });
});
