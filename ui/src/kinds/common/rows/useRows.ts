import { type KeyboardEvent, useEffect, useRef, useState } from 'react';
import { flushSync } from 'react-dom';
import { useStable } from '../../../parts/hooks/useStable';
import { beginStep } from '../../../parts/hooks/useHistory';

interface Options<T> {
  rows: T[];
  set: (rows: T[]) => void;
  /** A new row; from a line that was pasted, or a copy of another. */
  make: (text: string, rows: T[], copied?: T) => T;
  isEmpty: (row: T) => boolean;
  least?: number;
}

/** A row made over keeps what it is known by. */
const sameId = <T>(kept: T, row: T): T => (typeof kept === 'object' && kept !== null && 'id' in kept ? { ...row, id: kept.id } : row);

/**
 * Rows that are written one below the other: Enter makes the next, Backspace takes an empty one out, Alt with an arrow moves one, Ctrl D copies one, and pasted lines become rows if wanted.
 */
export function useRows<T>({ rows, set, make, isEmpty, least = 1 }: Options<T>) {
  const fields = useRef(new Map<number, HTMLElement>());
  const [lines, setLines] = useState<{ at: number; lines: string[] } | null>(null);
  const focus = (i: number) => fields.current.get(i)?.focus();
  /** Drawn at once, so that the next letter already lands in the row that has the focus then. */
  const put = (list: T[], at: number) => {
    flushSync(() => set(list));
    focus(at);
  };
  const register = useStable((i: number, element: HTMLElement | null) => {
    if (element) fields.current.set(i, element);
    else fields.current.delete(i);
  });
  const add = useStable((i: number, copied?: T) => {
    put([...rows.slice(0, i + 1), make('', rows, copied), ...rows.slice(i + 1)], i + 1);
  });
  const remove = useStable((i: number) => {
    if (rows.length <= least) return;
    put(rows.toSpliced(i, 1), Math.max(0, i - 1));
  });
  const move = useStable((from: number, to: number) => {
    const row = rows[from];
    if (row === undefined || to < 0 || to >= rows.length || from === to) return;
    put(rows.toSpliced(from, 1).toSpliced(to, 0, row), to);
  });
  const onKey = useStable((i: number, e: KeyboardEvent<HTMLTextAreaElement | HTMLInputElement>) => {
    // Not while a letter is being composed: there Enter takes the letter.
    if (e.nativeEvent.isComposing) return;
    const row = rows[i];
    const next = rows[i + 1];
    if (e.key === 'Enter' && !e.shiftKey && !e.ctrlKey) {
      if (next !== undefined && isEmpty(next)) focus(i + 1);
      else add(i);
    } else if (e.key === 'Backspace' && e.currentTarget.value === '' && row !== undefined && isEmpty(row)) remove(i);
    else if (e.altKey && e.key === 'ArrowUp') move(i, i - 1);
    else if (e.altKey && e.key === 'ArrowDown') move(i, i + 1);
    else if (e.ctrlKey && e.key.toLowerCase() === 'd' && row !== undefined) add(i, row);
    else return;
    e.preventDefault();
  });
  // After undo, or once the row was typed over, there is nothing to make rows of any more.
  useEffect(() => {
    const field = lines && fields.current.get(lines.at);
    if (lines && field instanceof HTMLTextAreaElement && !field.value.includes(lines.lines.at(-1) ?? '')) setLines(null);
  }, [rows, lines]);
  /** Pasted lines stay in the row as they are until rows are asked for. */
  const onLines = useStable((at: number, pastedLines: string[]) => setLines({ at, lines: pastedLines }));
  const split = () => {
    if (!lines) return;
    const [first = '', ...rest] = lines.lines;
    const kept = rows[lines.at];
    const firstRow = kept === undefined ? make(first, rows) : sameId(kept, make(first, rows, kept));
    const made = rest.reduce<T[]>((all, line) => [...all, make(line, all)], rows.with(Math.min(lines.at, rows.length - 1), firstRow));
    const fresh = made.slice(rows.length);
    beginStep();
    set([...made.slice(0, lines.at + 1), ...fresh, ...made.slice(lines.at + 1, rows.length)]);
    setLines(null);
  };
  return { register, focus, onKey, add, remove, move, onLines, lines: lines?.lines.length ?? 0, split, leave: () => setLines(null) };
}

export type Rows<T> = ReturnType<typeof useRows<T>>;
